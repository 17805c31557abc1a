// During development, pages look at what handlers do to the state. In a built page watching-none.ts stands here:
// package.json says so, under "imports".
export { watched } from './in-place.js';
