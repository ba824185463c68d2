/** Server-sent events in memory, in place of the browser's own. */
export class FakeEvents {
  static all: FakeEvents[] = []
  closed = false
  private heard = new Map<string, ((event: { data: string }) => void)[]>()
  constructor(readonly address: string) {
    FakeEvents.all.push(this)
  }
  addEventListener(name: string, act: (event: { data: string }) => void) {
    this.heard.set(name, [...(this.heard.get(name) ?? []), act])
  }
  close() {
    this.closed = true
  }
  tell(name: string, data: unknown = {}) {
    for (const act of this.heard.get(name) ?? []) act({ data: JSON.stringify(data) })
  }
  static get last(): FakeEvents {
    return FakeEvents.all.at(-1)!
  }
}
