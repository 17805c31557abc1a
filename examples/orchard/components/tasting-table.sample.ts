import { TastingTable } from './tasting-table.js';

const seats = { seats: 12, taken: 9, stall: 'Long table', host: 'Ola' };

export const twoTastings = TastingTable({
  caption: 'Today',
  tastings: [
    { time: '11:00', title: 'Mandarins, mild to sharp', pours: ['Dunlight', 'Saltbell'], ...seats },
    { time: '15:00', title: 'Bitter oranges', pours: [], ...seats, taken: 12 },
  ],
});

export const noneYet = TastingTable({ caption: 'Tomorrow', tastings: [] });
