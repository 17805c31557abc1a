// What the planner shows: invented, as all of the open day is.
import type { Action } from './parts/action-menu.js';
import type { Grove } from './parts/grove-tree.js';
import type { Suggestion } from './parts/suggest-box.js';
import type { Tab } from './parts/tab-set.js';

export const tabs: readonly Tab[] = [
  { id: 'groves', label: 'Groves' },
  { id: 'harvest', label: 'Harvest' },
  { id: 'helpers', label: 'Helpers' },
];

export const stalls: readonly Suggestion[] = [
  { id: 'press', label: 'Juice press' },
  { id: 'gate', label: 'North gate' },
  { id: 'graft', label: 'Grafting bench' },
  { id: 'jam', label: 'Marmalade kitchen' },
  { id: 'seed', label: 'Seedling nursery' },
  { id: 'jug', label: 'Jug and glass bar' },
];

export const shiftActions: readonly Action[] = [
  { id: 'take', label: 'Take the shift' },
  {
    id: 'swap',
    label: 'Swap with',
    actions: [
      { id: 'morning', label: 'The morning shift' },
      { id: 'noon', label: 'The noon shift' },
      { id: 'evening', label: 'The evening shift' },
    ],
  },
  { id: 'share', label: 'Share the shift' },
  { id: 'leave', label: 'Leave the shift' },
];

export const groves: readonly Grove[] = [
  {
    id: 'hill',
    label: 'Hill grove',
    groves: [
      { id: 'hill-east', label: 'East rows', groves: [{ id: 'old-row', label: 'Old row by the well' }] },
      { id: 'hill-west', label: 'West rows' },
    ],
  },
  { id: 'river', label: 'River grove', groves: [{ id: 'river-low', label: 'Low terrace' }] },
  { id: 'nursery', label: 'Nursery' },
];

const varieties = ['Dunlight', 'Saltbell', 'Quillrind', 'Emberleaf', 'Fogsweet'];
const places = ['Hill grove', 'River grove', 'Nursery'];

/** The crates of a harvest, the same each time. */
export const harvest = (
  count: number,
): readonly { crate: string; variety: string; kilos: number; grove: string }[] =>
  Array.from({ length: count }, (_, at) => ({
    crate: `C${String(at + 1).padStart(5, '0')}`,
    variety: varieties[(at * 7) % varieties.length] ?? '',
    kilos: 12 + ((at * 37) % 90) / 10,
    grove: places[(at * 5) % places.length] ?? '',
  }));
