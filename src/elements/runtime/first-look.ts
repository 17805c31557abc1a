// While developing, pages look at what never changes too. In a built page first-look-none.ts stands here: package.json says
// so, under "imports".
export { look as firstLook } from './look.js';
