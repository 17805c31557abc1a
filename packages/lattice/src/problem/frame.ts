/** A line of a stack that names a file: its address, line and column. */
export const framePattern = /\(?((?:file:\/\/|https?:\/\/|\/|[A-Za-z]:\\)[^()]*?):(\d+):(\d+)\)?$/;
