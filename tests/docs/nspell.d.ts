declare module 'nspell' {
  /** A spelling checker of a Hunspell dictionary. */
  export default function nspell(dictionary: { readonly aff: Uint8Array; readonly dic: Uint8Array }): {
    correct(word: string): boolean;
    add(word: string): void;
  };
}
