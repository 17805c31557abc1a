/** What is asked for only where it is needed is not there; commands know it by its name, whichever copy throws it. */
export class PackageMissing extends Error {
  override readonly name = 'PackageMissing';
}
