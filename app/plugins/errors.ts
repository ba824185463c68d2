/** An error inside a component is never silent: it stands in the browser's log, with its stack. */
export default defineNuxtPlugin((nuxtApp) => {
  nuxtApp.hook('vue:error', (error) => console.error(error))
})
