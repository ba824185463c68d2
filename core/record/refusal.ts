/**
 * Input that cannot be used: a stable code, one sentence for people, and the place in dotted form
 * (`feet.left.readings.0.trials`).
 */
export class Refusal extends Error {
  constructor(
    readonly code: string,
    message: string,
    readonly path = '',
  ) {
    super(message)
    this.name = 'Refusal'
  }
}
