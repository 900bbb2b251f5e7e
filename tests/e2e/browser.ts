import { spawn } from 'node:child_process'
import { chromium } from '@playwright/test'
import { CHROMIUM } from '../../scripts/prerequisites.mjs'

/** A browser whose profile stays when it is killed. */
export async function browserOn(profile: string) {
  const chrome = spawn(
    CHROMIUM,
    [
      '--headless',
      '--no-sandbox',
      '--disable-gpu',
      '--no-first-run',
      '--disable-background-networking',
      '--disable-component-update',
      '--disable-sync',
      '--disable-quic',
      '--remote-debugging-port=0',
      `--user-data-dir=${profile}`,
      'about:blank',
    ],
    { stdio: ['ignore', 'ignore', 'pipe'], detached: true },
  )
  const address = await new Promise<string>((resolve, reject) => {
    let said = ''
    chrome.stderr.on('data', (data: Buffer) => {
      said += data.toString()
      const found = /DevTools listening on (ws:\S+)/.exec(said)
      if (found) resolve(found[1]!)
    })
    chrome.on('exit', () => reject(new Error(`Chromium ended: ${said}`)))
  })
  const connected = await chromium.connectOverCDP(address)
  const page = await connected.contexts()[0]!.newPage()
  await page.setViewportSize({ width: 1280, height: 800 })
  return {
    page,
    kill: () => {
      process.kill(-chrome.pid!, 'SIGKILL')
    },
  }
}
