import type { Feature, Instance } from './instance.js';

/** Sends some events in another way than usual. One that may be cancelled goes at once, and tells whether it was. */
export function sending(options: Readonly<Record<string, EventInit>>): (instance: Instance) => Feature {
  return (instance) => {
    const { context, host } = instance;
    instance.context = (more) => {
      const given = context.call(instance, more);
      const usual = given.dispatch as (name: string, detail?: unknown) => boolean;
      return {
        ...given,
        dispatch: (name: string, detail?: unknown) => {
          const own = options[name];
          if (!own) return usual(name, detail);
          const event = new CustomEvent(name, { bubbles: true, composed: true, ...own, detail });
          return own.cancelable
            ? host.dispatchEvent(event)
            : !!instance.held?.push(event) || host.dispatchEvent(event);
        },
      };
    };
    return {};
  };
}
