import { prop } from 'zesty-lattice';

/** A page of the site, as a link to it needs to know it. */
export const pageLink = prop.record({ href: prop.url(), title: prop.text() });
export const pageGroup = prop.record({ title: prop.text(), pages: prop.list(pageLink) });
export const pageSection = prop.record({ id: prop.text(), text: prop.text(), level: prop.number() });
