// Stands for '#markup' in a page, where only those templates that are HTML text pay for reading it.
export {};
