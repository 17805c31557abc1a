import { register } from 'zesty-lattice/elements';
import {
  CountingBag,
  DataIsland,
  FixedStall,
  HidingForm,
  LateState,
  SafeShaky,
  ShakyList,
} from './fights-parts.js';

Object.assign(window, {
  come: () => register(CountingBag, FixedStall, HidingForm, ShakyList, SafeShaky, LateState, DataIsland),
});
