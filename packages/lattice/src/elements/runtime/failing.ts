import { reasonOf } from '../../problem/index.js';
import type { Scope } from '../../template/scope.js';
import type { Attach } from './block.js';
import type { Feature, Instance } from './instance.js';
import { derived } from './scopes.js';
import { create, nodesOf, type View } from './view.js';

/** Tries again to show the element when an event comes. */
export function retrying(type: string): Attach {
  return (node, _scopes, _block, instance) => {
    node.addEventListener(type, () => instance.retry?.());
  };
}

/** What stands in an element that cannot be shown; the next time it is tried anew. */
export function failing(view: View, local: number): (instance: Instance) => Feature {
  return (instance) => {
    const { show, fail } = instance;
    let hasFailed = false;
    let isShowing = false;
    let isGivenUp = false;
    const fallback = (message: string): void => {
      hasFailed = true;
      const scope: Scope = derived(instance.scope);
      scope.locals[local] = { message };
      instance.block = create(view, [scope], instance);
      (instance.host.shadowRoot as ShadowRoot).replaceChildren(nodesOf(instance.block));
    };
    instance.failed = fallback;
    const again = (): void => {
      (instance.host.shadowRoot as ShadowRoot).replaceChildren();
      instance.show();
    };
    instance.retry = () => {
      if (!hasFailed) return;
      if ((instance.scope.data as { readonly fault?: unknown } | undefined)?.fault) instance.reload?.();
      again();
    };
    instance.fail = (thrown) => {
      // Nothing of it is shown: what is being made is given up as a whole.
      if (isShowing) throw thrown;
      // What is left of an update that was given up finds its nodes gone.
      if (isGivenUp) return;
      isGivenUp = true;
      queueMicrotask(() => {
        isGivenUp = false;
      });
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
        if (hasFailed) again();
      },
    };
  };
}
