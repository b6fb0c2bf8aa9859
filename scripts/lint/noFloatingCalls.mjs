/**
 * A component must not let go of a promise: what fails in it would be told to nobody. Without types,
 * which would take every component minutes, this finds the promises that a component makes itself:
 * what the API is asked, and its own asynchronous functions.
 */
const ASKS = new Set(['call', 'ask']);

/** @type {import('eslint').Rule.RuleModule} */
export const noFloatingCalls = {
  meta: {
    type: 'problem',
    messages: { floating: 'Nobody waits for {{name}}(): await it, or say void and catch in it.' },
    schema: [],
  },
  create(context) {
    return {
      ExpressionStatement({ expression }) {
        if (expression.type !== 'CallExpression' || expression.callee.type !== 'Identifier') return;
        const { name } = expression.callee;
        const scope = context.sourceCode.getScope(expression);
        if (ASKS.has(name) || isAsync(definitionOf(scope, name)))
          context.report({ node: expression, messageId: 'floating', data: { name } });
      },
    };
  },
};

function definitionOf(scope, name) {
  for (let own = scope; own; own = own.upper) {
    const variable = own.set.get(name);
    if (variable) return variable.defs[0]?.node;
  }
  return undefined;
}

/** A function declared `async`, or a constant that holds one. */
function isAsync(node) {
  const declared = node?.type === 'VariableDeclarator' ? node.init : node;
  return declared?.async === true;
}
