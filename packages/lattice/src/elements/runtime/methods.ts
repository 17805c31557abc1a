import { instanceOf } from './element.js';
import { type Instance, settled } from './instance.js';
import type { LiveClass } from './live.js';

type Method = (context: object, ...args: readonly unknown[]) => unknown;

/** Gives a class's elements the methods of their component. Each is settled when what it changes is in the page. */
export function methods(all: Readonly<Record<string, Method>>): (made: LiveClass) => void {
  return (made) => {
    for (const name of Object.keys(all))
      Object.defineProperty(made.prototype, name, {
        configurable: true,
        writable: true,
        async value(this: { readonly [instanceOf]: Instance }, ...args: readonly unknown[]) {
          const instance = this[instanceOf];
          const { live, scope } = instance;
          // It may be called before the element is in a page.
          if (live.state) scope.state ??= { ...(live.state(instance.props) as object) };
          let context = {};
          // What handlers are given, without what catches their errors: those are the caller's.
          const take = (given: object): void => {
            context = given;
          };
          instance.call(name, take, {}, []);
          instance.change(await all[name]?.(context, ...args));
          await settled();
        },
      });
  };
}
