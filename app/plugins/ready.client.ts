/** Says on the page itself when it can be operated: the tests' own hand waits for it. */
export default defineNuxtPlugin((nuxt) => {
  nuxt.hook('app:suspense:resolve', () => {
    document.documentElement.dataset.ready = 'yes'
  })
})
