import { calc, component, el, event, given, phrase, prop } from 'zesty-lattice';
import { stageRules } from './rules.js';

/** What the stage says. */
type Said =
  | { readonly kind: 'ready' | 'find' | 'renewed' }
  | { readonly kind: 'height'; readonly height: number }
  | { readonly kind: 'event'; readonly name: string; readonly detail: string; readonly by: string }
  | { readonly kind: 'unregistered'; readonly name: string; readonly message: string }
  | { readonly kind: 'said'; readonly level: 'warn' | 'error'; readonly message: string };

/** The element, whose properties are what it is to show now. */
interface StageElement extends HTMLElement {
  readonly text: string;
  readonly direction: string;
  readonly isStill: boolean;
  readonly scheme: string;
  readonly listens: readonly string[];
}

function frameOf(host: unknown): Window | undefined {
  return (host as StageElement).shadowRoot?.querySelector('iframe')?.contentWindow ?? undefined;
}

function postShow(host: unknown): void {
  const { direction: dir, isStill, listens: events, scheme, text } = host as StageElement;
  frameOf(host)?.postMessage({ kind: 'show', text, dir, isStill, scheme, events }, location.origin);
}

/** A page of its own with the component in it, interactive, as wide as is asked for. */
export const LiveStage = component('live-stage', {
  props: {
    text: prop.text(),
    /** In CSS pixels; 0 is as wide as there is room. */
    width: prop.number().fallback(0),
    scheme: prop.choice(['light', 'dark']).fallback('light'),
    direction: prop.choice(['ltr', 'rtl']).fallback('ltr'),
    isStill: prop.flag(),
    listens: prop.list(prop.text()),
  },
  state: () => ({ height: 120, room: 800 }),
  events: {
    sent: event<{ name: string; detail: string; by: string }>(),
    said: event<{ level: string; message: string }>(),
    renewed: event(),
  },
  styles: stageRules,
  reactions: {
    text: ({ host }) => postShow(host),
    direction: ({ host }) => postShow(host),
    isStill: ({ host }) => postShow(host),
    scheme: ({ host }) => postShow(host),
    listens: ({ host }) => postShow(host),
  },
  handlers: {
    inspect: ({ host }) => frameOf(host)?.postMessage({ kind: 'inspect' }, location.origin),
  },
  connected: ({ change, dispatch, host, signal }) => {
    const element = host as unknown as StageElement;
    addEventListener(
      'message',
      ({ data, origin, source }: MessageEvent<Said & { from?: string }>) => {
        const frame = element.shadowRoot?.querySelector('iframe');
        if (origin !== location.origin || source !== frame?.contentWindow || data?.from !== 'lattice-stage')
          return;
        if (data.kind === 'ready' || data.kind === 'renewed') dispatch('renewed');
        if (data.kind === 'ready') postShow(element);
        else if (data.kind === 'height') change({ height: data.height });
        else if (data.kind === 'find') dispatchEvent(new Event('lattice-find'));
        else if (data.kind === 'event')
          dispatch('sent', { name: data.name, detail: data.detail, by: data.by });
        else if (data.kind === 'said') dispatch('said', { level: data.level, message: data.message });
        else if (data.kind === 'unregistered')
          dispatch('said', { level: 'error', message: `<${data.name}> is not registered. ${data.message}` });
      },
      { signal: signal as AbortSignal },
    );
    const measure = (): void => void change({ room: Math.floor(element.clientWidth) - 2 });
    const observer = new ResizeObserver(measure);
    observer.observe(element);
    (signal as AbortSignal).addEventListener('abort', () => observer.disconnect());
  },
  template: ({ props, state, handlers }) => {
    const wide = calc(props.width, state.room, (width, room) => width || room);
    const scale = calc(wide, state.room, (width, room) => Math.min(1, room / width));
    const high = calc(state.height, (height) => Math.max(120, Math.min(height, 4000)));
    return [
      el.div(
        {
          class: 'frame',
          style: {
            'inline-size': calc(wide, scale, (width, by) => `${Math.round(width * by) + 2}px`),
            'block-size': calc(high, scale, (height, by) => `${Math.round(height * by) + 2}px`),
          },
        },
        el.iframe({
          src: '/@lattice/stage',
          title: 'The component',
          class: props.scheme,
          style: {
            width: calc(wide, (width) => `${width}px`),
            height: calc(high, (height) => `${height}px`),
            transform: calc(scale, (by) => (by === 1 ? 'none' : `scale(${by})`)),
          },
        }),
      ),
      el.p(
        { class: 'size' },
        el.button({ type: 'button', on: { click: handlers.inspect() } }, 'Inspect'),
        phrase`${wide} px wide`,
        given(
          calc(scale, (by) => by < 1),
          calc(scale, (by) => `, shown at ${Math.round(by * 100)} %`),
        ),
      ),
    ];
  },
});
