import { renderHtml } from 'zesty-lattice/html';
import { StallSign } from './parts.js';
renderHtml(StallSign);
