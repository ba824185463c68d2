import type { Process } from '../../tables/processes'

/** Everything known about one way of making: the house's steps, and what it means for whom. */
export interface ProcessDefinition<K extends string = string> {
  kind: K
  /** in the client's words */
  plain: string
  /** what it means for a child */
  child: string
  /** what it means for a foot that does not feel */
  insensate: string
  /** the house's steps with their minutes; a shop edits its own copy */
  row: Process
}

/** Keeps the name of the kind in its type. */
export const process = <const K extends string>(
  definition: ProcessDefinition<K>,
): ProcessDefinition<K> => definition
