/** Opens without a line: the application's own files are kept once the first page stands. */
export default defineNuxtPlugin((nuxtApp) => {
  if (import.meta.dev || !('serviceWorker' in navigator)) return
  const register = () => navigator.serviceWorker.register('/sw.js').catch(() => undefined)
  nuxtApp.hook('app:mounted', () => {
    if ('requestIdleCallback' in globalThis) requestIdleCallback(register, { timeout: 5_000 })
    else setTimeout(register, 2_000)
  })
})
