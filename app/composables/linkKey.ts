/**
 * The key of a one-time link: it stands after the # of the address, so that it is never sent as
 * part of one. Null until the page lives in the browser (what depends on it is drawn only then, so
 * nothing typed into a page that does not listen yet is lost); '' where the address carries none.
 * A link opened in the same tab over another one counts at once.
 */
export function useLinkKey(): Readonly<Ref<string | null>> {
  const key = ref<string | null>(null)
  const read = () => {
    key.value = location.hash.slice(1)
  }
  onMounted(() => {
    read()
    addEventListener('hashchange', read)
  })
  onBeforeUnmount(() => removeEventListener('hashchange', read))
  return key
}
