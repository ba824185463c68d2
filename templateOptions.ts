/** Kinds of nodes in the compiler's tree. */
const ROOT = 0
const ELEMENT = 1
const TEXT = 2

interface TemplateNode {
  type: number
  content?: unknown
  children?: TemplateNode[]
}
const isLineBreak = (node: TemplateNode | undefined) =>
  node?.type === TEXT && /^\s*\n\s*$/.test(String(node.content))

/**
 * How templates are compiled, for the application and for tests of components: a line break between
 * two elements is one space, as in HTML and as the formatter takes it; at the edges of an element
 * it is nothing. (Vue's own `condense` drops it everywhere, so that words ran together wherever the
 * formatter broke a line.)
 */
export const templateOptions = {
  whitespace: 'preserve' as const,
  nodeTransforms: [
    (node: TemplateNode) => {
      if (node.type === TEXT && typeof node.content === 'string')
        node.content = node.content.replace(/[\t\r\n\f ]+/g, ' ')
      if ((node.type === ELEMENT || node.type === ROOT) && node.children) {
        if (isLineBreak(node.children[0])) node.children.shift()
        if (isLineBreak(node.children.at(-1))) node.children.pop()
      }
    },
  ],
}
