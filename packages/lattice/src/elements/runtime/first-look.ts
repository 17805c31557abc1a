// During development, pages look at what never changes too, and at what handlers do to the state. In a built page
// first-look-none.ts stands here: package.json says so, under "imports".
export { watched } from './in-place.js';
export { look as firstLook } from './look.js';
