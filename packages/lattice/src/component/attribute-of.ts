import { perComponent } from './per-component.js';

/** The attribute of a prop: `sowIn` is `sow-in`. */
export function attributeOf(prop: string): string {
  return prop.replace(/[A-Z]/g, (letter) => `-${letter.toLowerCase()}`);
}

/** The numbers of a component's props by their attributes, in lower case, as a parser of HTML gives names. */
export const propsByAttribute = /* @__PURE__ */ perComponent(
  ({ props }): ReadonlyMap<string, number> =>
    new Map(props.names.map((name, index) => [attributeOf(name).toLowerCase(), index])),
);
