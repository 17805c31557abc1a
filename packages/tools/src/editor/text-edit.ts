/** A change of a text: what stands from one offset to another becomes another text. */
export interface TextEdit {
  readonly from: number;
  readonly to: number;
  readonly text: string;
}
