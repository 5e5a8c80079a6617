/** The shell comes onto the device with the first visit, once the page has come to life. */
export default defineNuxtPlugin((nuxt) => {
  if (!('serviceWorker' in navigator)) return
  nuxt.hook('app:suspense:resolve', () => {
    // Where the browser does not keep a worker the pages work on, in reach of the house only.
    navigator.serviceWorker.register('/worker.js').catch(() => {})
  })
})
