/** Rules of this project for oxlint: what no shared rule says. */

/** A rule that reports every node a selector finds. */
const forbid = (selector, message) => ({ create: (context) => ({ [selector]: (node) => context.report({ node, message }) }) });

export default {
  meta: { name: "nodulum" },
  rules: {
    "no-export-all": forbid("ExportAllDeclaration", "Exports are explicit: name them."),
    "edit-takes-layout": forbid(
      "CallExpression[callee.property.name=/^(edit|preview|follow)$/][callee.object.name='session'] > ArrowFunctionExpression[params.length=0]",
      "An edit is a function of the layout it is given. One that captures a layout takes back what has changed since. See seenAs and madeOn.",
    ),
    "text-field-has-limit": forbid(
      "JSXOpeningElement[name.name=/^(input|textarea)$/]:not(:has(> JSXAttribute[name.name='maxLength'])):not(:has(> JSXAttribute[name.name='type'][value.value=/^(range|checkbox|radio|file|color)$/]))",
      "A field that takes text has a limit: set maxLength.",
    ),
  },
};
