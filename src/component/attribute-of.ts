/** The attribute of a prop: `sowIn` is `sow-in`. */
export function attributeOf(prop: string): string {
  return prop.replace(/[A-Z]/g, (letter) => `-${letter.toLowerCase()}`);
}
