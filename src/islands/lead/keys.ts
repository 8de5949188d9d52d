/** The keys of a lead's stages. */
export const LEAD_KEYS = [
  ['[  ]', 'stage before, stage after'],
  ['Ctrl+Z', 'undo the last change'],
  ['Tab', 'from slot to slot'],
] as const;
