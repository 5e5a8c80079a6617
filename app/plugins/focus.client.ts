/**
 * After an action the focus is where the hand goes on. What was acted on may be gone with it (a row,
 * a dialog, a whole page), and a browser then lets the focus fall to the page's body, where a key or a
 * pedal does nothing and a reader begins anew.
 */
const FOCUSABLE =
  'a[href],button:not([disabled]),input:not([disabled]),textarea:not([disabled]),[tabindex="0"]'
const isSeen = (element: HTMLElement) => element.offsetParent !== null
const firstIn = (within: ParentNode | null | undefined, what = FOCUSABLE) =>
  [...(within?.querySelectorAll<HTMLElement>(what) ?? [])].find(isSeen)

export default defineNuxtPlugin((nuxt) => {
  /** What had the focus last, with all it stood in; and the last outside of any dialog. */
  let chain: HTMLElement[] = []
  let outside: HTMLElement | undefined
  let looking = false

  document.addEventListener('focusin', ({ target }) => {
    if (!(target instanceof HTMLElement)) return
    chain = []
    for (let own: HTMLElement | null = target; own; own = own.parentElement) chain.push(own)
    if (!target.closest('.v-overlay-container')) outside = target
  })
  // Whoever taps beside everything has let go on purpose.
  document.addEventListener('focusout', ({ target, relatedTarget }) => {
    if (relatedTarget !== null || !(target instanceof HTMLButtonElement)) return
    requestAnimationFrame(() => {
      if (target.isConnected && !target.disabled && document.activeElement === document.body)
        chain = []
    })
  })

  const fell = () => document.activeElement === document.body || !document.activeElement
  function whereTo(): HTMLElement | undefined {
    const dialogs = document.querySelectorAll<HTMLElement>('.v-overlay--active [role=dialog]')
    const dialog = [...dialogs].at(-1)
    if (dialog) return firstIn(dialog) ?? dialog
    const next = firstIn(document, '[data-next]:not([disabled])')
    if (next) return next
    const stands = chain.find(
      (own) => own.isConnected && own !== document.body && !own.closest('.v-overlay-container'),
    )
    const near = stands && stands.id !== 'main' && stands.closest('#main') ? stands : undefined
    if (near) return firstIn(near) ?? undefined
    if (outside?.isConnected && isSeen(outside)) return outside
    return firstIn(document, '#stop-action .bg-primary:not([disabled])') ?? main()
  }
  const main = () => document.getElementById('main') ?? undefined
  function goOn(): void {
    looking = false
    if (!fell() || chain.length === 0) return
    const to = whereTo() ?? main()
    to?.focus({ preventScroll: true })
  }
  /** Looked at once the page has drawn what the action has made of it. */
  function look(): void {
    if (looking || !fell() || chain.length === 0) return
    looking = true
    requestAnimationFrame(() => requestAnimationFrame(goOn))
  }
  nuxt.hook('app:mounted', () => {
    new MutationObserver(look).observe(document.body, {
      childList: true,
      subtree: true,
      attributes: true,
      attributeFilter: ['disabled'],
    })
  })
})
