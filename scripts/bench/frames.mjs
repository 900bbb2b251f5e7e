// Frames of the bench's drawing, measured in the browser: the drawing is bundled as it is and driven with pointer events.
import { fileURLToPath } from 'node:url'
import { chromium } from '@playwright/test'
import { build } from 'esbuild'
import { root } from '../prerequisites.mjs'
import { BROWSER } from '../serve.mjs'

/** Median times of a frame, ms: while one stem is dragged, with all painted from sprites, and with all drawn from their paths. */
export async function framesOf(stems) {
  const {
    outputFiles: [bundle],
  } = await build({
    entryPoints: [fileURLToPath(new URL('frames-page.ts', import.meta.url))],
    bundle: true,
    write: false,
    format: 'iife',
    target: 'es2022',
    alias: { '#core': `${root}/core`, '~': `${root}/app` },
    define: { 'process.env.NODE_ENV': '"production"' },
  })
  const chrome = await chromium.launch(BROWSER)
  const page = await chrome.newPage({ viewport: { width: 1280, height: 800 } })
  await page.setContent('<div id="stage" style="width:696px;height:545px"></div>')
  await page.addScriptTag({ content: bundle.text })
  const times = await page.evaluate((n) => globalThis.measureFrames(n), stems)
  const version = `Chromium ${chrome.version()}`
  await chrome.close()
  return { ...times, browser: version }
}
