import { Option } from 'commander';

/** Options that several commands have. */
export const rulesOption = (): Option =>
  new Option(
    '--rules <where>',
    "linked: rules go into files that the page links, for a policy such as default-src 'self'",
  ).choices(['inline', 'linked']);
