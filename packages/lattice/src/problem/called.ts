import { finding } from '#dev';
import { failure } from './error.js';
import { callPlace, placeOf } from './place.js';

/**
 * Refuses a call with something else than its types ask for, which only JavaScript can make. Guards are for developing:
 * each stands behind `dev`.
 */
export function refuseCall(called: unknown, name: string, fault: string, hint: string): never {
  throw failure(finding('call-invalid', { name, fault, hint }, placeOf(callPlace(called))));
}
