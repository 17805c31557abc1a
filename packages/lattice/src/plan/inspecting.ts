/**
 * Whether what is written and made notes which component wrote it, for who looks at a page while it is being developed.
 * It is set before the first component is planned, and never in a build.
 */
export const inspecting = { isOn: false };
