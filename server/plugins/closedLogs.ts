/**
 * Whoever read our log may be gone while we still serve. Writing to the closed pipe fails, telling of
 * that failure fails again: without an ear for it this goes round for ever, and nobody is answered.
 */
export default defineNitroPlugin(() => {
  for (const stream of [process.stdout, process.stderr]) stream.on('error', () => undefined)
})
