import '../orchard/page.css';
import './live.css';
import { register } from 'zesty-lattice/elements';
import {
  CrateBasket,
  CrateCounter,
  HelperForm,
  NotePanel,
  VarietyPicker,
  WeightField,
} from './components/index.js';

register(CrateBasket, CrateCounter, HelperForm, NotePanel, VarietyPicker, WeightField);
