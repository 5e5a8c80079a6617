import { mkdirSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { gzipSync } from 'node:zlib'
import { openHouse } from '../scripts/house.mjs'
import { ROOT, run } from '../scripts/say.mjs'
import { endChild } from '../scripts/server.mjs'
import { ensureBuild } from '../scripts/setup.mjs'
import { spawn } from 'node:child_process'
import { times } from './numbers.mjs'

/**
 * JavaScript that the first page asks for before it can be used, against a page of the same
 * libraries with one route, one field and one button, built in the same run.
 */
export default async function page() {
  await ensureBuild()
  const house = await openHouse('bench', { firstPort: 24760, wanted: 4480 })
  let own
  try {
    own = await initial(house.address, '/sign-in', join(ROOT, '.output/public'))
  } finally {
    await house.close()
  }
  const bare = await bareApp()
  const kb = (amount) => `${(amount / 1024).toFixed(0)} kB`
  return [
    `first page: ${own.files} files, ${kb(own.raw)}, ${kb(own.gzip)} packed`,
    `bare page of the same libraries: ${bare.files} files, ${kb(bare.raw)}, ${kb(bare.gzip)} packed`,
    `packed ${times(own.gzip / bare.gzip)}, unpacked ${times(own.raw / bare.raw)} (aim: at most 1.2 ×)`,
  ]
}

async function initial(address, path, publicFolder) {
  const html = await (await fetch(`${address}${path}`)).text()
  const names = new Set(
    [...html.matchAll(/<(?:script|link)[^>]+(?:src|href)="(\/_nuxt\/[^"]+\.js)"[^>]*>/g)]
      .filter((other) => !/rel="prefetch"/.test(other[0]))
      .map((other) => other[1]),
  )
  let raw = 0
  let gzip = 0
  for (const name of names) {
    const bytes = readFileSync(join(publicFolder, name))
    raw += bytes.length
    gzip += gzipSync(bytes).length
  }
  return { files: names.size, raw, gzip }
}

/** A page of the same libraries with one field and one button. @returns its folder */
function writeBareApp() {
  const home = join(ROOT, '.data', 'bare-page')
  rmSync(home, { recursive: true, force: true })
  mkdirSync(join(home, 'app/plugins'), { recursive: true })
  symlinkSync(join(ROOT, 'node_modules'), join(home, 'node_modules'))
  writeFileSync(join(home, 'package.json'), '{"name":"bare","private":true,"type":"module"}')
  writeFileSync(
    join(home, 'nuxt.config.ts'),
    `import vuetify, { transformAssetUrls } from 'vite-plugin-vuetify'
export default defineNuxtConfig({
  ssr: true,
  telemetry: false,
  modules: ['@pinia/nuxt'],
  build: { transpile: ['vuetify'] },
  compatibilityDate: '2026-05-01',
  experimental: { appManifest: false },
  vite: {
    plugins: [vuetify({ autoImport: true, styles: true })],
    vue: { template: { transformAssetUrls } },
  },
})
`,
  )
  writeFileSync(
    join(home, 'app/plugins/vuetify.ts'),
    `import { createVuetify } from 'vuetify'
import { aliases, mdi } from 'vuetify/iconsets/mdi-svg'
export default defineNuxtPlugin((app) => {
  app.vueApp.use(createVuetify({ ssr: true, icons: { defaultSet: 'mdi', aliases, sets: { mdi } } }))
})
`,
  )
  writeFileSync(join(home, 'app/app.vue'), '<template><VApp><NuxtPage /></VApp></template>')
  mkdirSync(join(home, 'app/pages'))
  writeFileSync(
    join(home, 'app/pages/index.vue'),
    `<script setup lang="ts">
const word = ref('')
</script>
<template>
  <main>
    <h1>Bare</h1>
    <VTextField v-model="word" label="A field" />
    <VBtn>A button</VBtn>
  </main>
</template>
`,
  )
  return home
}

async function bareApp() {
  const home = writeBareApp()
  const built = await run(
    process.execPath,
    [join(ROOT, 'node_modules/nuxt/bin/nuxt.mjs'), 'build'],
    { cwd: home, env: { ...process.env, NUXT_TELEMETRY_DISABLED: '1' } },
  )
  if (built.code !== 0)
    throw new Error(`the bare page did not build:\n${built.output.slice(-3000)}`)
  const port = 4490
  const child = spawn(process.execPath, ['.output/server/index.mjs'], {
    cwd: home,
    stdio: 'ignore',
    env: { ...process.env, NITRO_HOST: '127.0.0.1', NITRO_PORT: String(port) },
  })
  try {
    for (let i = 0; i < 100; i++) {
      try {
        if ((await fetch(`http://127.0.0.1:${port}/`)).ok) break
      } catch {
        await new Promise((done) => setTimeout(done, 100))
      }
    }
    return await initial(`http://127.0.0.1:${port}`, '/', join(home, '.output/public'))
  } finally {
    await endChild(child)
    rmSync(home, { recursive: true, force: true })
  }
}
