export { CrateTaker } from './crate-taker.js';
export { FairBoard } from './fair-board.js';
export { StallCard } from './stall-card.js';
