/**
 * A lint rule: a sentence that is written over two lines is joined with a space, or both its halves
 * are glued to one word that nobody reads.
 */

/** @param {any} node */
const textOf = (node) =>
  node.type === 'TemplateLiteral'
    ? { first: node.quasis[0].value.cooked, last: node.quasis.at(-1).value.cooked }
    : node.type === 'Literal' && typeof node.value === 'string'
      ? { first: node.value, last: node.value }
      : null
/** @param {any} node */
const lastOf = (node) => (node.type === 'BinaryExpression' ? lastOf(node.right) : node)
/** @param {any} node */
const firstOf = (node) => (node.type === 'BinaryExpression' ? firstOf(node.left) : node)

export const spacedJoin = {
  meta: {
    type: 'problem',
    schema: [],
    messages: { glued: 'No space where the two lines of this text meet.' },
  },
  /** @param {any} context */
  create: (context) => ({
    /** @param {any} node */
    BinaryExpression(node) {
      if (node.operator !== '+') return
      const [left, right] = [lastOf(node.left), firstOf(node.right)]
      if (left.loc.end.line === right.loc.start.line) return
      const [before, after] = [textOf(left), textOf(right)]
      if (before && after && !/\s$/.test(before.last) && !/^\s/.test(after.first))
        context.report({ node: right, messageId: 'glued' })
    },
  }),
}
