/** What begins a schema, and what one is made into another by. */
const BEGIN = 'object|array|string|number|boolean|mixed|lazy|tuple|record|optionalRecord|union';
const GO_ON =
  'required|optional|notRequired|nullable|defined|default|noUnknown|shape|concat|of|oneOf|min|max|positive|integer|matches|test|typeError|when|length';
const CALL = new RegExp(
  `(?<=(?:[=(:,[?]|=>|\\breturn)\\s*)(?=(?:${BEGIN})\\(|[a-zA-Z_]\\w*\\.(?:${GO_ON})\\()`,
  'g',
);

/**
 * Tells the bundler that making a schema does nothing but make it, so that a page which checks nothing carries neither the
 * schemas of the core nor what makes them.
 */
export const pureSchemas = () => ({
  name: 'pure-schemas',
  enforce: 'post',
  transform(code, id) {
    if (!/\/src\/core\/.*\.ts$/.test(id) || !/\byup\b|\/shape|quantity/.test(code)) return null;
    return { code: code.replace(CALL, '/*#__PURE__*/ '), map: null };
  },
});
