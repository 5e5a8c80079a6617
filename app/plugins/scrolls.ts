/**
 * `v-scrolls` on a table: where it is wider or taller than its place, its scrolling part is reached
 * and moved by keyboard; where it is not, it is no stop on the way.
 */
const watched = new WeakMap<HTMLElement, ResizeObserver>()

export default defineNuxtPlugin((nuxt) => {
  nuxt.vueApp.directive<HTMLElement>('scrolls', {
    mounted(root) {
      const part = root.querySelector<HTMLElement>('.v-table__wrapper')
      if (!part) return
      const look = () => {
        const scrolls = part.scrollWidth > part.clientWidth || part.scrollHeight > part.clientHeight
        if (scrolls) part.tabIndex = 0
        else part.removeAttribute('tabindex')
      }
      const observer = new ResizeObserver(look)
      observer.observe(part)
      if (part.firstElementChild) observer.observe(part.firstElementChild)
      watched.set(root, observer)
    },
    unmounted(root) {
      watched.get(root)?.disconnect()
    },
    getSSRProps: () => ({}),
  })
})
