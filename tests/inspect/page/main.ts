import '../../../examples/orchard/page.css';
import '../../../examples/open-day/live.css';
import { register } from 'zesty-lattice/elements';
import {
  CrateBasket,
  CrateCounter,
  HelperForm,
  NotePanel,
  VarietyPicker,
  WeightField,
} from '../../../examples/open-day/components/index.js';

register(CrateBasket, CrateCounter, HelperForm, NotePanel, VarietyPicker, WeightField);
