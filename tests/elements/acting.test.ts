import type { Page } from 'playwright-core';
import { beforeAll, describe, expect, test } from 'vitest';
import type { AnyComponent } from 'zesty-lattice';
import { renderHtml } from 'zesty-lattice/html';
import { useBrowser } from '../support/browser.js';
import { bundle } from '../support/bundle.js';
import { inRun, plannings } from '../support/runs.js';
import {
  FormNote,
  FormNoteText,
  LabelHall,
  LabelHallText,
  MixedBox,
  MixedBoxText,
  ShiftBoard,
  ShiftBoardText,
  StallPick,
  StallPickText,
} from './acting-parts.js';

const { page: open } = useBrowser();
const scripts = new Map<boolean, string>();
beforeAll(async () => {
  const entry = new URL('./acting-page.ts', import.meta.url);
  scripts.set(false, await bundle(entry));
  scripts.set(true, await bundle(entry, { ahead: true, minify: true, production: true }));
});

const stalls = [
  { id: 7, name: 'Press' },
  { id: 8, name: 'Gate' },
  { id: 9, name: 'Barn' },
];

describe.each(plannings)('%s', (_how, ahead) => {
  let reported: string[] = [];
  async function started(html: string): Promise<Page> {
    const page = await open(`<!doctype html><body>${html}`);
    reported = [];
    page.on('console', (message) => reported.push(message.text()));
    page.on('pageerror', (error) => reported.push(error.message));
    await page.evaluate(`window.looked = []; for (const one of document.body.children) {
      one.addEventListener('looked', ({ detail }) => looked.push(detail));
      one.addEventListener('closing', (event) => window.keep && event.preventDefault());
    }`);
    await page.addScriptTag({ content: scripts.get(ahead) ?? '', type: 'module' });
    await page.waitForFunction('window.start');
    await page.evaluate('start(); new Promise((done) => setTimeout(done))');
    return page;
  }
  const output = (page: Page): Promise<string> =>
    page
      .locator('output')
      .first()
      .evaluate((one) => one.textContent ?? '');

  describe.each([
    ['functions', StallPick],
    ['HTML text', StallPickText],
  ])('written as %s', (form, Pick) => {
    const attribute = JSON.stringify(stalls).replaceAll('"', '&quot;');
    const ways = {
      made: `<${Pick.name} stalls="${attribute}"></${Pick.name}>`,
      hydrated: renderHtml(Pick, { stalls }, { form: 'elements' }),
    };

    // What is written as HTML text is held for what a server wrote in a usual run, functions for what a page makes.
    const usual = form === 'functions' ? 'made' : 'hydrated';
    test.each(inRun(Object.entries(ways), ([way]) => way === usual))(
      'nodes are there while they are shown: %s',
      async (_way, html) => {
        const page = await started(html);
        await page.locator('.open').click();
        // The field is there, and has the focus, as soon as the change is in the page.
        expect(
          await page.evaluate(`document.querySelector('${Pick.name}').shadowRoot.activeElement?.localName`),
        ).toBe('input');
        await page.keyboard.type('ba');
        await expect.poll(() => output(page)).toMatch(/^0 ba /);
        await page.keyboard.press('ArrowDown');
        await page.keyboard.press('ArrowDown');
        await page.keyboard.press('ArrowUp');
        expect(await output(page)).toBe('1 ba 3');
        // A row that went is nothing any more, and one that came is.
        await page.evaluate(
          `{ const one = document.querySelector('${Pick.name}'); one.stalls = [one.stalls[1], { id: 10, name: 'Mill' }]; }`,
        );
        await page.keyboard.press('ArrowDown');
        expect(await output(page)).toBe('1 ba 2');
        await page.keyboard.press('Escape');
        expect(await page.locator('input').count()).toBe(0);
        expect(await page.evaluate('looked.at(-1)')).toEqual({ changed: ['isOpen'], shown: 'false false 0' });
        expect(reported).toEqual([]);
        await page.close();
      },
    );

    test('what was shown is told once, by the names of what has changed, and never half', async () => {
      const page = await started(ways.made);
      expect(await page.evaluate('looked')).toEqual([{ changed: [], shown: 'false false 0' }]);
      await page.evaluate(
        `{ const one = document.querySelector('${Pick.name}'); one.stalls = one.stalls.slice(1); one.shadowRoot.querySelector('button').click(); } new Promise((done) => setTimeout(done))`,
      );
      expect(await page.evaluate('looked')).toEqual([
        { changed: [], shown: 'false false 0' },
        // The field has got the focus, which is heard.
        { changed: ['isOpen', 'last', 'stalls'], shown: 'true true 2' },
      ]);
      await page.close();
    });

    test('methods are settled when what they change is in the page, and reject what they throw', async () => {
      const page = await started(ways.hydrated);
      expect(
        await page.evaluate(`(async () => {
          const one = document.querySelector('${Pick.name}');
          await one.show('by method');
          const shown = one.shadowRoot.querySelector('output').textContent + one.shadowRoot.querySelectorAll('li').length;
          const failed = await one.fail().catch(({ message }) => message);
          const apart = document.createElement('${Pick.name}');
          await apart.show('apart');
          document.body.append(apart);
          await null;
          return [shown, failed, apart.shadowRoot.querySelector('output').textContent, 'show' in HTMLElement.prototype];
        })()`),
      ).toEqual(['0  by method3', 'no stall', '0  apart', false]);
      expect(reported).toEqual([]);
      await page.close();
    });

    test('keys are those that are named, with what is held', async () => {
      const page = await started(ways.made);
      await page.locator('section').focus();
      expect(await output(page)).toBe('0  focused');
      for (const [key, shown] of [
        ['Control+s', 's false'],
        ['Control+Shift+s', 's false'],
        ['s', 's false'],
        ['?', '? true'],
        ['Space', '  false'],
        ['Tab', '  false'],
      ] as const) {
        if (key === 'Tab') await page.locator('section').dispatchEvent('keydown', { key: 'Tab' });
        else if (key === '?')
          await page.locator('section').dispatchEvent('keydown', { key: '?', shiftKey: true });
        else await page.keyboard.press(key);
        expect([
          key,
          await page
            .locator('output')
            .first()
            .evaluate((one) => one.textContent),
        ]).toEqual([key, `0  ${shown}`]);
      }
      await page.locator('section').dispatchEvent('keydown', { key: 'Tab', shiftKey: true });
      expect(await output(page)).toBe('0  Tab true');
      // A key that ends a composition is the composer's.
      await page.locator('section').dispatchEvent('keydown', { key: 'ArrowDown', isComposing: true });
      expect(await output(page)).toBe('0  Tab true');
      await page.close();
    });

    test('events are heard once, without waiting for what they do, or before others', async () => {
      const page = await started(ways.made);
      const section = page.locator('section');
      await section.dispatchEvent('click');
      expect(await output(page)).toBe('0  clicked');
      expect(
        await section.evaluate((one) => {
          const event = new WheelEvent('wheel', { cancelable: true });
          one.addEventListener('wheel', () => undefined);
          return one.dispatchEvent(event);
        }),
      ).toBe(true);
      expect(await output(page)).toBe('0  wheel');
      await section.dispatchEvent('click');
      expect(await output(page)).toBe('0  wheel');
      await page.locator('.open').click();
      expect(await output(page)).toBe('0  focused');
      await page.close();
    });

    test('whoever hears an event that may be cancelled is asked before anything is changed', async () => {
      const page = await started(ways.made);
      await page.locator('.open').click();
      await page.evaluate('window.keep = true');
      await page.keyboard.press('Escape');
      expect(await output(page)).toBe('0  kept open');
      expect(await page.locator('input').count()).toBe(1);
      await page.evaluate('window.keep = false');
      await page.keyboard.press('Escape');
      expect(await page.locator('input').count()).toBe(0);
      await page.close();
    });
  });

  test('an element that changes what it has shown is reported, and stops', async () => {
    const page = await started('<restless-note></restless-note>');
    await expect.poll(() => reported.join('\n')).toContain('update-loop');
    expect(Number(await page.locator('restless-note b').innerText())).toBeGreaterThan(50);
    await page.close();
  });

  test.each(['pick-hall', 'pick-hall-text'])('%s reaches the element of another component', async (tag) => {
    const page = await started(`<${tag}></${tag}>`);
    await page.evaluate(`document.querySelector('${tag}').pass('passed')`);
    await expect.poll(() => output(page)).toBe('0  passed');
    expect(reported).toEqual([]);
    await page.close();
  });

  test('an element hears another by the detail of its event', async () => {
    const page = await started('<pick-hall></pick-hall>');
    await page.locator('.open').click();
    await page.evaluate(`document.querySelector('pick-hall').hold()`);
    await page.keyboard.press('Escape');
    await expect.poll(() => page.locator('pick-hall > b, pick-hall b').first().innerText()).toBe('escape');
    expect(await page.locator('input').count()).toBe(1);
    expect(reported).toEqual([]);
    await page.close();
  });

  test('a field that follows a prop is set by either, and the attribute says what holds', async () => {
    const page = await started('<fold-note></fold-note>');
    const now = (change = ''): Promise<unknown> =>
      page.evaluate(`(async () => {
        const one = document.querySelector('fold-note'), button = one.shadowRoot.querySelector('button');
        ${change};
        await new Promise((done) => setTimeout(done));
        return [one.open, one.outerHTML, button.getAttribute('aria-expanded'), button.textContent];
      })()`);
    const shut = '<fold-note></fold-note>';
    const open = '<fold-note open=""></fold-note>';
    expect(await now()).toEqual([false, shut, 'false', '0']);
    expect(await now('one.open = true')).toEqual([true, open, 'true', '1']);
    expect(await now('button.click()')).toEqual([false, shut, 'false', '2']);
    // What a program sets is a change, since the prop has followed.
    expect(await now('one.open = true')).toEqual([true, open, 'true', '3']);
    expect(await now('one.open = true')).toEqual([true, open, 'true', '3']);
    expect(await now("one.removeAttribute('open')")).toEqual([false, shut, 'false', '4']);
    expect(await now('one.size = 9; one.day = new Date(0); one.open = true')).toEqual([
      true,
      '<fold-note size="9" day="1970-01-01T00:00:00.000Z" open=""></fold-note>',
      'true',
      '5',
    ]);
    // What an author wrote stays as it is written, while it means the same.
    expect(
      await page.evaluate(
        `{ document.body.insertAdjacentHTML('beforeend', '<fold-note open="yes" size="07" day="2026-10-01"></fold-note>'); document.body.lastElementChild.outerHTML }`,
      ),
    ).toBe('<fold-note open="yes" size="07" day="2026-10-01"></fold-note>');
    expect(await now('one.size = 3; one.day = undefined; button.click()')).toEqual([
      false,
      '<fold-note size="3"></fold-note>',
      'false',
      '6',
    ]);
    expect(reported).toEqual([]);
    await page.close();
  });

  test.each([
    ['functions', MixedBox, false],
    ['functions, hydrated', MixedBox, true],
    ['HTML text', MixedBoxText, false],
    ['HTML text, hydrated', MixedBoxText, true],
  ])('properties are set where no attribute stands for them: %s', async (_way, Box, isHydrated) => {
    const html = isHydrated ? renderHtml(Box, {}, { form: 'elements' }) : `<${Box.name}></${Box.name}>`;
    const page = await started(html);
    const shown = (): Promise<unknown> =>
      page.evaluate(`{
        const root = document.querySelector('${Box.name}').shadowRoot;
        const view = root.querySelector('graph-view');
        [root.querySelector('input').indeterminate, root.querySelector('select').selectedIndex, root.querySelector('div').scrollTop, root.querySelector('video').muted, view.items, view.mode]
      }`);
    expect(await shown()).toEqual([true, 2, 40, true, ['a', 'b', 'c'], 'wide']);
    await page.evaluate(`document.querySelector('${Box.name}').set(false, 90)`);
    expect(await shown()).toEqual([false, 2, 90, false, ['a', 'b', 'c'], 'wide']);
    expect(reported).toEqual([]);
    await page.close();
  });

  test('a field sends several entries, says what is wrong by flags, and shows its states', async () => {
    const page = await started(
      '<form><stay-field name="stay"></stay-field><button type="button">Plain</button></form>',
    );
    await page.addStyleTag({ content: 'stay-field:state(chosen) { color: rgb(1, 2, 3) }' });
    const now = (): Promise<unknown> =>
      page.evaluate(`{
        const one = document.querySelector('stay-field'), flags = [];
        for (const flag in one.validity) if (one.validity[flag]) flags.push(flag);
        [[...new FormData(one.form)].join(' '), flags.join(), one.validationMessage, getComputedStyle(one).color, one.matches(':state(late)')]
      }`);
    const field = (name: string): ReturnType<Page['locator']> => page.locator(`[aria-label=${name}]`);
    expect(await now()).toEqual(['', 'valueMissing', 'Choose a day.', 'rgb(0, 0, 0)', false]);
    await field('From').fill('2026-09-01');
    expect(await now()).toEqual([
      'stay-from,2026-09-01 stay-until,',
      'rangeUnderflow',
      'The orchard is shut then.',
      'rgb(1, 2, 3)',
      false,
    ]);
    await field('From').fill('2026-12-02');
    await field('Until').fill('2026-10-01');
    expect(await now()).toEqual([
      'stay-from,2026-12-02 stay-until,2026-10-01',
      'rangeOverflow',
      'The last day is before the first.',
      'rgb(1, 2, 3)',
      true,
    ]);
    await field('Until').fill('2026-12-03');
    expect(await now()).toEqual([
      'stay-from,2026-12-02 stay-until,2026-12-03',
      'valid',
      '',
      'rgb(1, 2, 3)',
      true,
    ]);
    expect(
      await page.evaluate(
        `{ const one = document.querySelector('stay-field'); const before = one.value; one.value = '{"from":"2026-10-05","until":"2026-10-06"}'; const set = one.value; one.form.reset(); [before, set, one.value] }`,
      ),
    ).toEqual([
      '{"from":"2026-12-02","until":"2026-12-03"}',
      '{"from":"2026-10-05","until":"2026-10-06"}',
      '',
    ]);
    expect(reported).toEqual([]);
    await page.close();
  });

  test.each([
    ['submits without a button', '', 'form'],
    ['presses the button that submits', '<button name="go" value="1">Go</button>', 'go'],
    ['does nothing where that is disabled', '<button disabled>Go</button>', 'nothing'],
  ])('Enter in a field %s', async (_what, button, wanted) => {
    const page = await started(`<form><stay-field name="stay"></stay-field>${button}</form>`);
    await page.evaluate(
      `window.sent = 'nothing'; document.forms[0].noValidate = true; document.forms[0].addEventListener('submit', (event) => { event.preventDefault(); sent = event.submitter?.name || 'form'; })`,
    );
    await page.locator('[aria-label=From]').fill('2026-12-02');
    await page.keyboard.press('Enter');
    expect(await page.evaluate('sent')).toBe(wanted);
    await page.close();
  });

  test('a field gives the focus to the control that it names, and has its role and states by itself', async () => {
    const page = await started(
      '<label for="stay">Stay</label><form><stay-field id="stay" name="stay"></stay-field></form>',
    );
    const focused = (): Promise<unknown> =>
      page.evaluate("document.activeElement.shadowRoot?.activeElement?.getAttribute('aria-label')");
    await page.evaluate("document.querySelector('stay-field').focus()");
    expect(await focused()).toBe('Until');
    await page.locator('[aria-label=From]').focus();
    expect(await focused()).toBe('From');
    await page.locator('label').click();
    expect(await focused()).toBe('Until');
    await page.locator('[aria-label=From]').fill('2026-12-02');
    const session = await page.context().newCDPSession(page);
    const { root } = await session.send('DOM.getDocument');
    const { nodeId } = await session.send('DOM.querySelector', {
      nodeId: root.nodeId,
      selector: 'stay-field',
    });
    const { nodes } = await session.send('Accessibility.getPartialAXTree', { nodeId, fetchRelatives: false });
    expect([nodes[0]?.role?.value, nodes[0]?.description?.value]).toEqual(['group', '2026-12-02']);
    expect(nodes[0]?.properties?.find(({ name }) => name === 'busy')?.value.value).toBeTruthy();
    expect(await page.evaluate("document.querySelector('stay-field').outerHTML")).not.toMatch(/role|aria-/);
    expect(reported).toEqual([]);
    await page.close();
  });

  test('Enter submits once, also in a field that was shown anew after it had failed', async () => {
    const page = await started('<form><stay-field name="stay"></stay-field></form>');
    await page.evaluate(
      `window.sent = 0; document.forms[0].noValidate = true; document.forms[0].addEventListener('submit', (event) => { event.preventDefault(); sent++; })`,
    );
    const first = (day: string): Promise<unknown> =>
      page.evaluate(
        `document.querySelector('stay-field').first = '${day}'; new Promise((done) => setTimeout(done))`,
      );
    await first('never');
    expect(await page.locator('stay-field i').innerText()).toBe('Shut');
    await first('2026-10-01');
    await page.locator('[aria-label=From]').fill('2026-12-02');
    await page.keyboard.press('Enter');
    expect(await page.evaluate('sent')).toBe(1);
    await page.close();
  });

  /** A component as functions and as HTML text, made by the page and hydrated; a usual run has each of these once. */
  const both = (
    functions: AnyComponent,
    text: AnyComponent,
  ): readonly (readonly [string, string, string])[] =>
    [functions, text].flatMap((one) =>
      inRun(
        [
          [one.name, 'made', `<${one.name}></${one.name}>`],
          [one.name, 'hydrated', renderHtml(one as typeof ShiftBoard, {}, { form: 'elements' })],
        ] as const,
        ([, way]) => way === (one === functions ? 'made' : 'hydrated'),
      ),
    );

  test.each(both(ShiftBoard, ShiftBoardText))(
    'what %s says of the elements in it stands on them: %s',
    async (tag, _way, html) => {
      const page = await started(`<style>${tag}::part(row-label) { font-style: italic }</style>${html}`);
      const said = (): Promise<unknown> =>
        page.evaluate(`[...document.querySelector('${tag}').shadowRoot.querySelectorAll('shift-mark, stay-field')].map((one) =>
        [...one.attributes].filter(({ name }) => !/^(?:data-in|label)$/.test(name))
          .map(({ name, value }) => name + '=' + value.replace(/;$/, '')).sort().join(', '))`);
      const looks = (): Promise<unknown> =>
        page.evaluate(`{ const [row] = document.querySelector('${tag}').shadowRoot.querySelectorAll('shift-mark');
        const label = getComputedStyle(row.shadowRoot.querySelector('b'));
        [getComputedStyle(row).borderTopWidth, label.color, label.fontStyle].join() }`);
      const row = (classes: string, day: string): string =>
        `aria-label=${day}, class=${classes}, data-shift-day=${day}, exportparts=label: row-label, id=press, style=display: block; --day: ${day}`;
      expect(await said()).toEqual([row('row', 'Fri'), 'part=gate, tabindex=0', 'form=days, name=stay']);
      expect(await looks()).toBe('0px,rgb(1, 2, 3),italic');
      await page.locator('button').click();
      expect(await said()).toEqual([
        row('row wide', 'Sat'),
        'hidden=, part=gate, tabindex=0',
        'form=days, name=stay',
      ]);
      expect(await looks()).toBe('3px,rgb(1, 2, 3),italic');
      expect(reported).toEqual([]);
      await page.close();
    },
  );

  test.each(both(FormNote, FormNoteText))(
    'a form of %s is a form to its functions: %s',
    async (tag, _way, html) => {
      const page = await started(html);
      await page.evaluate(`document.querySelector('${tag}').send()`);
      expect(await output(page)).toBe('nodeName=x,parentNode=y');
      expect(reported).toEqual([]);
      await page.close();
    },
  );

  test.each(both(LabelHall, LabelHallText))(
    'a prop of %s that is a function is a property: %s',
    async (tag, way, html) => {
      // What a server writes has no function in it, and shows what they came to.
      if (way === 'hydrated') expect(html).not.toMatch(/label=|note=/);
      const page = await started(html);
      const rows = (): Promise<unknown> =>
        page.evaluate(
          `[...document.querySelector('${tag}').shadowRoot.querySelectorAll('label-row')].map((one) => one.shadowRoot.textContent.trim())`,
        );
      expect(await rows()).toEqual(['Press Gate', 'Press! Gate!', '1. Press 2. Gate']);
      await page.locator('label-row').nth(2).locator('b').first().click();
      await page.evaluate(`document.querySelector('${tag}').look()`);
      expect(await output(page)).toBe('1');
      await page.evaluate(
        `document.querySelector('${tag}').shadowRoot.querySelector('label-row').label = ({ name }) => name.length; new Promise((done) => setTimeout(done))`,
      );
      expect(await rows()).toEqual(['5 4', 'Press! Gate!', '1. Press 2. Gate']);
      expect(reported).toEqual([]);
      await page.close();
    },
  );

  test.each(['fade-note', 'fade-note-text'])(
    'content of %s stays for its animation when it goes',
    async (tag) => {
      const page = await started(
        `<${tag} rows='[{"id":1,"name":"Press"},{"id":2,"name":"Gate"},{"id":3,"name":"Barn"}]'></${tag}>`,
      );
      const now = (work = ''): Promise<unknown> =>
        page.evaluate(`(async () => {
        const one = document.querySelector('${tag}'), root = one.shadowRoot;
        ${work};
        await new Promise((done) => setTimeout(done));
        return [...root.querySelectorAll('p, i, li')].map((node) => node.textContent + (node.inert ? ' ' + node.className : '')).join();
      })()`);
      const finish = 'root.getAnimations().forEach((animation) => animation.finish())';
      expect(await now()).toBe('Open,Press,Gate,Barn');
      expect(await now('await one.turn(); await one.look()')).toBe('Open fades gone,Shut,Press,Gate,Barn');
      // It is none of the nodes that functions reach any more.
      expect(await output(page)).toBe('none');
      expect(await now(finish)).toBe('Shut,Press,Gate,Barn');
      expect(await now('one.rows = [one.rows[2], one.rows[0]]')).toBe('Shut,Gate fades,Barn,Press');
      expect(await now('one.rows = []')).toBe('Shut,Gate fades,Barn fades,Press fades');
      expect(await now("one.rows = [{ id: 9, name: 'Mill' }]")).toBe(
        'Shut,Gate fades,Barn fades,Press fades,Mill',
      );
      expect(await now(finish)).toBe('Shut,Mill');
      await page.emulateMedia({ reducedMotion: 'reduce' });
      expect(await now('one.rows = []; await one.turn(); await one.turn()')).toBe('Shut');
      expect(reported).toEqual([]);
      await page.close();
    },
  );
});
