export { CrateBasket } from './crate-basket.js';
export { CrateCounter } from './crate-counter.js';
export { HelperForm } from './helper-form.js';
export { NotePanel } from './note-panel.js';
export { VarietyPicker } from './variety-picker.js';
export { WeightField } from './weight-field.js';
