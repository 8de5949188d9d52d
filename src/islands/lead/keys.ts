/** The keys of a lead's stages. */
export const LEAD_KEYS = [
  ['[  ]', 'stage before, stage after'],
  ['Ctrl+Z', 'undo the last change'],
  ['Ctrl+Shift+Z', 'make it again'],
  ['Tab', 'from slot to slot'],
] as const;
