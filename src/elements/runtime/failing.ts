import { finding } from '../../problem/index.js';
import type { Scope } from '../../template/scope.js';
import type { Feature, Instance } from './instance.js';
import { derived } from './scopes.js';
import { create, type View } from './view.js';

/** What stands in an element that cannot be shown; the next time it is tried anew. */
export function failing(view: View, local: number): (instance: Instance) => Feature {
  return (instance) => {
    const { show } = instance;
    let hasFailed = false;
    const fallback = (message: string): void => {
      hasFailed = true;
      const scope: Scope = derived(instance.scope);
      scope.locals[local] = { message };
      const { block, fragment } = create(view, [scope], instance);
      instance.block = block;
      (instance.host.shadowRoot as ShadowRoot).replaceChildren(fragment);
    };
    instance.failed = fallback;
    instance.show = () => {
      try {
        hasFailed = false;
        show.call(instance);
      } catch (thrown) {
        const reason = String((thrown as Error | undefined)?.message ?? thrown);
        instance.report(finding('value-failed', { name: instance.live.name, reason }), thrown);
        fallback(reason);
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
