/** Who is meant: a client by id, or somebody new by name. */
export interface Asked {
  value: string
  title: string
  subtitle: string
  isNew: boolean
}
