import type { AnyKind, ComponentCore } from 'zesty-lattice/internal/component';
import { typeText } from '../describe/type-text.js';

/** A declaration file for elements in a page that has nothing but their module. */
export function packedTypes(cores: readonly ComponentCore[]): string {
  const tags = cores.map(
    (core) => `    ${JSON.stringify(core.name)}: HTMLElement & {\n${membersOf(core)}    };\n`,
  );
  return `declare global {\n  interface HTMLElementTagNameMap {\n${tags.join('')}  }\n}\nexport {};\n`;
}

function membersOf({ events, props }: ComponentCore): string {
  const fields = props.names.map((name, index) => {
    const kind = props.kinds[index] as AnyKind;
    const about = kind.settings.description;
    const type = kind.settings.presence === 'optional' ? `${typeText(kind)} | undefined` : typeText(kind);
    return `${about === undefined ? '' : `      /** ${about.replaceAll('*/', '*\\/')} */\n`}      ${name}: ${type};\n`;
  });
  const listeners = Object.keys(events).map(
    (name) =>
      `      addEventListener(name: ${JSON.stringify(name)}, listener: (event: CustomEvent) => unknown, options?: boolean | AddEventListenerOptions): void;\n`,
  );
  return [...fields, ...listeners].join('');
}
