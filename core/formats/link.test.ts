import fc from 'fast-check'
import { deflateSync, strToU8 } from 'fflate'
import { describe, expect, it } from 'vitest'
import { CATALOGUE } from '../material'
import { seedOf } from '../measure'
import { layerOf, pieceWith, shelf } from '../testing'
import { LONGEST_LINK, readLink, writeLink } from './link'
import { LINK_WORDS } from './link-dictionary'
import type { ReadPiece } from './piece-file'

const piece = pieceWith([
  layerOf('a', 'bay', { kind: 'compass', count: 12, start: 0 }),
  layerOf('b', 'skep', { kind: 'single', at: 0.25, drop: 0 }),
])
const says = (read: ReadPiece): string => (read.ok ? '' : read.faults.map((fault) => fault.says).join(' '))

describe('a piece in an address', () => {
  it('comes out as it went in, and is short', () => {
    const link = writeLink(piece, shelf)
    expect(readLink(`#${link}`)).toMatchObject({ ok: true, piece })
    expect(link.length).toBeLessThan(LONGEST_LINK / 3)
    expect(link).toMatch(/^[A-Za-z0-9_.-]+$/)
  })
  it('takes its maker’s own materials along', () => {
    const own = { ...CATALOGUE['bay']!, name: 'old bay' }
    const read = readLink(writeLink(piece, { materials: { ...shelf.materials, bay: own } }))
    expect(read).toMatchObject({ ok: true, materials: [own] })
  })
  it('that was cut short anywhere, or has one letter changed, is refused in words', () => {
    const link = writeLink(piece, shelf)
    for (let n = 0; n < link.length; n += 7) expect(readLink(link.slice(0, n)).ok, String(n)).toBe(false)
    fc.assert(
      fc.property(fc.nat(link.length - 1), fc.constantFrom('A', 'z', '0', '-', '_', '!', 'é'), (at, letter) => {
        fc.pre(link[at] !== letter)
        expect(readLink(link.slice(0, at) + letter + link.slice(at + 1)).ok).toBe(false)
      }),
    )
    expect(says(readLink(link.slice(0, 100)))).toMatch(/cut short/)
  })
  it('of a newer version says so', () => expect(says(readLink('#2.abc.def'))).toMatch(/newer version/))
  it.each(['', '#', '#hello', '#1', '#1..', '#1.a.b.c', '#%00'])('%s is no piece', (hash) => expect(readLink(hash).ok).toBe(false))
  it('any words at all are read or refused, never thrown at', () =>
    fc.assert(fc.property(fc.string(), (text) => typeof readLink(text).ok === 'boolean')))
  it('what would unpack to far more than a piece is stopped', () => {
    // The same packing, by hand: a sum that fits, and a hundred megabytes of nothing behind it.
    const packed = Buffer.from(deflateSync(strToU8(' '.repeat(100_000_000)), { dictionary: strToU8(LINK_WORDS) })).toString('base64url')
    expect(says(readLink(`1.${seedOf(packed).toString(36)}.${packed}`))).toMatch(/cannot be unpacked/)
  })
  it('an address of the first day is still read', () => {
    // Written on 2026-11-26, and kept: words that are frozen stay frozen.
    expect(readLink(FIRST)).toMatchObject({ ok: true, piece: { id: 'test', layers: [{ id: 'a' }] } })
  })
})

const FIRST = '1.-pkihpm.I72pW5IKjmPCLd0QoEKFkdXcTS8CBn0ZMD2T2OQFuloP5GyE782cTJyMjana5E0kr7ELDnSyG7rAaokWDV2qtHsGfR0DzHKDo47JA7Y9RnLNUgsA'
