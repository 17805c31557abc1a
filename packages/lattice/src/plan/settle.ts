import { type ComponentCore, fault, fits, isMade, settle } from '../component/index.js';
import { type Finding, finding, LatticeError, reasonOf } from '../problem/index.js';
import { ExprCore } from '../template/index.js';

/** The value of a prop that is left out, where a function gives it: an expression that is worked out for each use. */
export function fallbackExpr(compute: () => unknown): ExprCore {
  return new ExprCore({ op: 'calc', inputs: [], compute });
}

/**
 * The value that a template sees for what a use gives to a prop: the value as its kind normalises it, or the fallback. What
 * is missing or does not fit is reported, and renders nothing.
 */
export function settledProp(
  component: ComponentCore,
  index: number,
  given: unknown,
  report: (found: Finding) => void,
): unknown {
  try {
    return normalisedValue(component, index, given, report);
  } catch (thrown) {
    if (thrown instanceof LatticeError) throw thrown;
    // A value that throws when it is looked at, as getters and proxies may.
    const wrong = `cannot be read: ${reasonOf(thrown)}`;
    const prop = component.props.names[index] as string;
    report(finding('prop-invalid', { component: component.name, prop, fault: wrong }));
    return undefined;
  }
}

function normalisedValue(
  component: ComponentCore,
  index: number,
  given: unknown,
  report: (found: Finding) => void,
): unknown {
  const kind = component.props.kinds[index];
  const prop = component.props.names[index];
  if (!kind || prop === undefined) return undefined;
  const { rules, settings } = kind;
  if (given === undefined) {
    if (settings.presence === 'required')
      report(finding('prop-missing', { component: component.name, prop, expected: rules.expected }));
    if (!isMade(settings.fallbackValue)) return settings.fallbackValue;
    const made = settings.fallbackValue();
    if (rules.settle || fits(kind, made)) return made;
    report(
      finding('prop-invalid', {
        component: component.name,
        prop,
        fault: fault(kind, made) ?? 'does not fit',
      }),
    );
    return undefined;
  }
  if (fits(kind, given)) return rules.settle ? settle(kind, given) : given;
  const wrong = fault(kind, given) ?? 'does not fit';
  report(finding('prop-invalid', { component: component.name, prop, fault: wrong }));
  return undefined;
}
