export { CrateCounter } from './crate-counter.js';
export { FairBoard } from './fair-board.js';
export { StallCard } from './stall-card.js';
