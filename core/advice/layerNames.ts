/**
 * What decisions about layers are filed under: the kind, and which of its kind it is. Its place in the list
 * changes when layers are put in another order, and a decision about one must not hide another.
 *
 * @example layerNames([{ kind: 'metPad' }, { kind: 'archFill' }, { kind: 'metPad' }])[2] // 'metPad#2'
 */
export function layerNames(layers: readonly { kind: string }[]): string[] {
  const seen = new Map<string, number>()
  return layers.map(({ kind }) => {
    const nth = (seen.get(kind) ?? 0) + 1
    seen.set(kind, nth)
    return nth > 1 ? `${kind}#${nth}` : kind
  })
}
