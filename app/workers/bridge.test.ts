import { MessageChannel } from 'node:worker_threads'
import { expose } from 'comlink'
import type { Endpoint } from 'comlink'
// @ts-expect-error the package has no types for its adapter to Node
import adapter from 'comlink/dist/esm/node-adapter.mjs'
import { afterEach, expect, it, vi } from 'vitest'
import { bridgeTo, silent, TOLD_AFTER } from './bridge'
import { Jobs } from './cooperative-jobs'

const nodeEndpoint = adapter as (port: unknown) => Endpoint

interface Api {
  twice(n: number): number
  fail(): never
  wait(): Promise<void>
}
const ports: { close(): void }[] = []
afterEach(() => ports.splice(0).forEach((port) => port.close()))

/** A worker that answers, over a real channel. */
function sound(): Worker {
  const { port1, port2 } = new MessageChannel()
  ports.push(port1, port2)
  const api: Api = {
    twice: (n) => 2 * n,
    fail() {
      throw new TypeError('no such layer')
    },
    wait: () => new Promise(() => {}),
  }
  expose(api, nodeEndpoint(port2))
  return Object.assign(nodeEndpoint(port1), {
    terminate() {
      port1.close()
    },
    onerror: null,
    onmessageerror: null,
  }) as unknown as Worker
}
/** A worker whose script is missing: it says so a moment later, and never answers. */
function missing(): Worker {
  const worker = sound()
  worker.postMessage = () => {}
  setTimeout(() => worker.onerror?.({ message: '404', preventDefault() {} } as ErrorEvent))
  return worker
}

it('starts a worker once, and asks it', async () => {
  let started = 0
  const bridge = bridgeTo<Api>('The worker', () => {
    started += 1
    return sound()
  })
  expect(await Promise.all([bridge.ask((api) => api.twice(3)), bridge.ask((api) => api.twice(4))])).toEqual([6, 8])
  expect(started).toBe(1)
})
it('passes on what the worker answers with, also a fault of its own', async () => {
  const bridge = bridgeTo<Api>('The worker', sound)
  await expect(bridge.ask((api) => api.fail())).rejects.toThrow('no such layer')
  expect(await bridge.ask((api) => api.twice(1))).toBe(2)
})
it('starts one that is lost again, and asks the same once more', async () => {
  const starts = [missing, sound]
  const bridge = bridgeTo<Api>('The worker', () => starts.shift()!())
  expect(await bridge.ask((api) => api.twice(5))).toBe(10)
})
it('says so when it is lost twice, and is good again once the script is back', async () => {
  const starts = [
    missing,
    () => {
      throw new Error('blocked')
    },
    sound,
  ]
  const bridge = bridgeTo<Api>('The worker', () => starts.shift()!())
  await expect(bridge.ask((api) => api.twice(5))).rejects.toThrow(/^The worker could not be started, or broke off: Error: blocked$/)
  expect(await bridge.ask((api) => api.twice(5))).toBe(10)
})
it('ends what is under way when it is told to, without asking again', async () => {
  let started = 0
  const bridge = bridgeTo<Api>('The worker', () => {
    started += 1
    return sound()
  })
  const waiting = bridge.ask((api) => api.wait())
  await bridge.ask((api) => api.twice(1))
  bridge.end()
  await expect(waiting).rejects.toThrow('It was stopped.')
  expect(started).toBe(1)
  expect(await bridge.ask((api) => api.twice(2))).toBe(4)
})
/** Lets so many seconds pass, with all that happens in them. */
async function seconds(n: number): Promise<void> {
  for (let i = 0; i < n; i++) {
    await vi.advanceTimersByTimeAsync(1000)
    await new Promise((resolve) => setImmediate(resolve))
  }
}
it('tells of one that is silent, starts it again when it hangs, and says so when it hangs twice', async () => {
  vi.useFakeTimers({ toFake: ['setInterval', 'clearInterval'] })
  try {
    let started = 0
    const bridge = bridgeTo<Api>('The worker', () => {
      started += 1
      return sound()
    })
    const hanging = bridge.ask((api) => api.wait(), 20)
    hanging.catch(() => {})
    await seconds(TOLD_AFTER - 1)
    expect(silent.size).toBe(0)
    await seconds(1)
    expect([...silent]).toMatchObject([['The worker', { seconds: TOLD_AFTER, patience: 20 }]])
    // What it tells of itself counts.
    bridge.heard()
    expect(silent.size).toBe(0)
    await seconds(19)
    expect(started).toBe(1)
    await seconds(1)
    expect([started, silent.size]).toEqual([2, 0])
    await seconds(20)
    await expect(hanging).rejects.toThrow('The worker could not be started, or broke off: it was silent for 20 seconds')
    expect([started, silent.size, vi.getTimerCount()]).toEqual([2, 0, 0])
    expect(await bridge.ask((api) => api.twice(2))).toBe(4)
  } finally {
    vi.useRealTimers()
  }
})
it('ends one that is silent when one is told to', async () => {
  vi.useFakeTimers({ toFake: ['setInterval', 'clearInterval'] })
  try {
    const bridge = bridgeTo<Api>('The worker', sound)
    const hanging = bridge.ask((api) => api.wait())
    hanging.catch(() => {})
    await seconds(TOLD_AFTER)
    for (const each of silent.values()) each.stop()
    await expect(hanging).rejects.toThrow('It was stopped.')
    expect(silent.size).toBe(0)
  } finally {
    vi.useRealTimers()
  }
})

it('stops the job that is named and no other, whenever the word comes', async () => {
  function* counting(): Generator<number, number, boolean | undefined> {
    for (let i = 0; i < 1e6; i++) {
      const until = performance.now() + 5
      while (performance.now() < until) {
        /* work */
      }
      if ((yield i) || i > 40) return i
    }
    return 1e6
  }
  const jobs = new Jobs()
  jobs.stop('early')
  const early = jobs.run('early', counting(), () => {})
  const other = jobs.run('other', counting(), () => {})
  expect(await early).toBeLessThan(3)
  expect(await other).toBeGreaterThan(40)
})
