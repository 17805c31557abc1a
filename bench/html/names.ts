import { scenarios } from './scenarios.js';

console.log(JSON.stringify(scenarios.map(({ key, name, unit, units }) => ({ key, name, unit, units }))));
