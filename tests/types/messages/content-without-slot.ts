import { StallSign } from './parts.js';
StallSign({ name: 'Gate barn' }, 'Open till five');
