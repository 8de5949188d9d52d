const NAME = '\0checks-elsewhere';

/**
 * What stands for the schema library in the core of a page: schemas are made by it and come to nothing. Pages are handed what
 * was checked, by the server and by what reads leads beside the page; should one check something after all it says so.
 */
const STANDS_FOR_IT = `
const refuse = () => {
  throw new Error('a page checks nothing by itself: the server does, and what reads leads beside the page');
};
const CHECKS = new Set(['validate', 'validateSync', 'isValid', 'isValidSync', 'cast', 'describe']);
const nothing = new Proxy(function () {}, {
  get: (_, name) => (typeof name === 'symbol' ? undefined : CHECKS.has(name) ? refuse : nothing),
  apply: () => nothing,
});
export class ValidationError extends Error {}
export const object = /*#__PURE__*/ (() => nothing)();
export const [array, string, number, boolean, mixed, lazy, tuple, date] = Array(8).fill(nothing);
`;

/** Where a kind of part or of edit is tied to its fields: a page takes the kind without them. */
const TIED = /\b((?:part|edit)Kind\(\{\s*kind: '[\w-]+',)\s*shape,/g;

/** For pages alone: the server and the workers have the library itself, and so do the forms of a page. */
export const checksElsewhere = () => ({
  name: 'checks-elsewhere',
  enforce: 'pre',
  apply: 'build',
  resolveId(source, importer, { ssr }) {
    return !ssr && source === 'yup' && importer && /\/src\/core\//.test(importer) ? NAME : null;
  },
  load: (id) => (id === NAME ? STANDS_FOR_IT : null),
  transform: (code, id, { ssr } = {}) =>
    !ssr && /\/src\/core\/.*\.ts$/.test(id) && code.search(TIED) >= 0
      ? { code: code.replace(TIED, '$1'), map: null }
      : null,
});
