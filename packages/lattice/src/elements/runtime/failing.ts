import { reasonOf } from '../../problem/index.js';
import type { Scope } from '../../template/scope.js';
import type { Feature, Instance } from './instance.js';
import { derived } from './scopes.js';
import { create, nodesOf, type View } from './view.js';

/** What stands in an element that cannot be shown; the next time it is tried anew. */
export function failing(view: View, local: number): (instance: Instance) => Feature {
  return (instance) => {
    const { show, fail } = instance;
    let hasFailed = false;
    let isShowing = false;
    const fallback = (message: string): void => {
      hasFailed = true;
      const scope: Scope = derived(instance.scope);
      scope.locals[local] = { message };
      instance.block = create(view, [scope], instance);
      (instance.host.shadowRoot as ShadowRoot).replaceChildren(nodesOf(instance.block));
    };
    instance.failed = fallback;
    instance.fail = (thrown) => {
      // Nothing of it is shown: what is being made is given up as a whole.
      if (isShowing) throw thrown;
      fail.call(instance, thrown);
      fallback(reasonOf(thrown));
    };
    instance.show = () => {
      isShowing = true;
      hasFailed = false;
      try {
        show.call(instance);
        isShowing = false;
      } catch (thrown) {
        isShowing = false;
        instance.fail(thrown);
      }
    };
    return {
      changed() {
        if (!hasFailed) return;
        (instance.host.shadowRoot as ShadowRoot).replaceChildren();
        instance.show();
      },
    };
  };
}
