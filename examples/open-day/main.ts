import { register } from 'zesty-lattice/elements';
import data from '../orchard/open-day.json' with { type: 'json' };
import type { Variety } from '../orchard/types.js';
import { CrateBasket } from './components/crate-basket.js';
import { CrateCounter } from './components/crate-counter.js';
import { HelperForm } from './components/helper-form.js';
import { NotePanel } from './components/note-panel.js';
import { VarietyPicker } from './components/variety-picker.js';
import { WeightField } from './components/weight-field.js';

register(CrateBasket, CrateCounter, HelperForm, NotePanel, VarietyPicker, WeightField);

const picker = document.querySelector('variety-picker') as
  | (HTMLElement & { items: readonly Variety[] })
  | null;
if (picker) picker.items = data.varieties as readonly Variety[];
