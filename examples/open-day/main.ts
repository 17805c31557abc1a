import '../orchard/page.css';
import './live.css';
import { register } from 'zesty-lattice/elements';
import data from '../orchard/open-day.json' with { type: 'json' };
import type { Variety } from '../orchard/types.js';
import {
  CrateBasket,
  CrateCounter,
  HelperForm,
  NotePanel,
  VarietyPicker,
  WeightField,
} from './components/index.js';

register(CrateBasket, CrateCounter, HelperForm, NotePanel, VarietyPicker, WeightField);

const picker = document.querySelector('variety-picker') as
  | (HTMLElement & { items: readonly Variety[] })
  | null;
if (picker) picker.items = data.varieties as readonly Variety[];
