import { lookThrough } from '../services/post/outbox'

const SECOND_MS = 1000

/** Looks through the outbox now and then, where there is a post office. */
export default defineNitroPlugin((nitro) => {
  const { post, postSeconds } = useRuntimeConfig()
  if (post === '') return
  const timer = setInterval(() => void lookThrough(), Number(postSeconds) * SECOND_MS)
  nitro.hooks.hook('close', () => {
    clearInterval(timer)
  })
})
