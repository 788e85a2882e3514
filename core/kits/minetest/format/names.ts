/** Letters that the engine allows in names of nodes, items, groups and files. */
export const plainName = (name: string): string => name.replaceAll(/[^a-zA-Z0-9_]/g, '_');
