import { SECOND_MS } from '#core/units'

/**
 * `v-caret` on the first field of a form that opens: writing begins there. A hand that is already at
 * another field of that form keeps it; a caret that jumps would put the words into the wrong field.
 */
const FIELD = 'input,textarea'

export default defineNuxtPlugin((nuxt) => {
  nuxt.vueApp.directive<HTMLElement>('caret', {
    mounted(root) {
      const field = root.matches(FIELD) ? root : root.querySelector<HTMLElement>(FIELD)
      const form = root.closest('form,[role=dialog]')
      // A dialog that is still unfolding takes no caret: asked again with each frame until it does.
      const unfolded = performance.now() + SECOND_MS
      const begin = () => {
        const at = document.activeElement
        if (!field?.isConnected || (at?.matches(FIELD) && form?.contains(at))) return
        field.focus()
        if (document.activeElement !== field && performance.now() < unfolded)
          requestAnimationFrame(begin)
      }
      begin()
    },
    getSSRProps: () => ({}),
  })
})
