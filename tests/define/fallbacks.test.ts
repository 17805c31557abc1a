import { expect, test } from 'vitest';
import { component, eachOf, el, type LatticeError, prop, resolve } from 'zesty-lattice';
import { renderHtml } from 'zesty-lattice/html';

let at = 0;
const Ticket = component('one-ticket', {
  props: { number: prop.number().fallback(() => ++at) },
  template: ({ props }) => el.b(props.number, '=', props.number),
});

test('a fallback that is a function is called anew for each use, and once for it', () => {
  const Two = component('two-tickets', {
    template: () => [Ticket({}), Ticket({ number: undefined }), Ticket({ number: 0 })],
  });
  const Rows = component('ticket-rows', {
    props: { of: prop.list(prop.text()) },
    template: ({ props }) => eachOf(props.of, () => Ticket({})),
  });
  at = 0;
  expect(renderHtml(Two)).toBe('<b>1=1</b><b>2=2</b><b>0=0</b>');
  expect(renderHtml(Two)).toBe('<b>3=3</b><b>4=4</b><b>0=0</b>');
  expect(renderHtml(Rows, { of: ['a', 'b', 'c'] })).toBe('<b>5=5</b><b>6=6</b><b>7=7</b>');
  for (let times = 0; times < 10; times++) {
    at = 0;
    expect(renderHtml(Ticket)).toBe('<b>1=1</b>');
    expect(renderHtml(Ticket({}))).toBe('<b>2=2</b>');
    expect(renderHtml(Two)).toBe('<b>3=3</b><b>4=4</b><b>0=0</b>');
  }
});

test('what it gives is checked where it is used', () => {
  const Wrong = component('wrong-ticket', {
    props: { number: prop.number().fallback(() => 'three' as never) },
    template: ({ props }) => el.b(props.number),
  });
  const Holder = component('ticket-holder', { template: () => el.p(Wrong({})) });
  const problemsOf = (run: () => unknown): unknown => {
    try {
      run();
      return 'nothing';
    } catch (thrown) {
      return (thrown as LatticeError).problems.map(({ code, where }) => [code, where]);
    }
  };
  expect(problemsOf(() => renderHtml(Wrong))).toEqual([['prop-invalid', 'wrong-ticket']]);
  expect(problemsOf(() => renderHtml(Holder))).toEqual([['prop-invalid', 'ticket-holder › wrong-ticket']]);
  expect(resolve(Ticket).problems).toEqual([]);
});

test('its type is that of the value', () => {
  prop.date().fallback(() => new Date());
  prop.choice(['early', 'late']).fallback(() => 'late');
  // @ts-expect-error it gives no date
  prop.date().fallback(() => 'today');
  // @ts-expect-error it gives none of the choices
  prop.choice(['early', 'late']).fallback(() => 'winter');
});
