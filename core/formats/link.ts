import { deflateSync, Inflate, strFromU8, strToU8 } from 'fflate'
import { fromUint8Array, toUint8Array } from 'js-base64'
import type { Shelf } from '../material'
import { seedOf } from '../measure'
import type { Piece } from '../piece'
import { LINK_WORDS } from './link-dictionary'
import type { ReadPiece } from './piece-file'
import { readPiece } from './piece-file'
import { writePiece } from './portable-piece'

/** How the piece in an address is written; a later way has a later number. */
const WAY = '1'

/** The longest address that goes into one code that a phone still reads from a screen, letters: version 32 at low correction. */
export const LONGEST_LINK = 1900

/** The most that what came in an address may unpack to, bytes. */
const LARGEST = 1024 * 1024

const KNOWN = strToU8(LINK_WORDS)

/** A sum over what was packed, by which a cut or mistyped address is known. */
const sumOf = (text: string): string => seedOf(text).toString(36)

/** A piece as it goes into an address after `#`: packed, with its maker’s own materials and a sum over it all. */
export function writeLink(piece: Piece, shelf: Pick<Shelf, 'materials'>): string {
  const plain = JSON.stringify(JSON.parse(writePiece(piece, shelf)))
  const packed = fromUint8Array(deflateSync(strToU8(plain), { level: 9, dictionary: KNOWN }), true)
  return `${WAY}.${sumOf(packed)}.${packed}`
}

const refuse = (says: string): ReadPiece => ({ ok: false, faults: [{ says, at: '', line: null }] })

/** Reads what stands in an address after `#`. Whatever came, it is read or refused in words. */
export function readLink(hash: string): ReadPiece {
  const [way, sum, packed, ...more] = hash.replace(/^#/, '').split('.')
  if (!way) return refuse('There is no piece in this address.')
  if (way !== WAY)
    return refuse(
      /^\d{1,3}$/.test(way)
        ? 'This address was made by a newer version of the app. Open it there, or send the file.'
        : 'There is no piece in this address.',
    )
  if (sum === undefined || packed === undefined || more.length || sumOf(packed) !== sum)
    return refuse('This address was cut short or changed on its way. Scan the code again, or send the file.')
  const text = unpack(toUint8Array(packed))
  return text === null ? refuse('What is in this address cannot be unpacked. Scan the code again, or send the file.') : readPiece(text)
}

/** Unpacks no more than a piece can be. @returns null when it is broken or too large */
function unpack(bytes: Uint8Array): string | null {
  const parts: Uint8Array[] = []
  let size = 0
  let ended = false
  const inflate = new Inflate({ dictionary: KNOWN }, (part, final) => {
    size += part.length
    if (size > LARGEST) throw new RangeError('too large')
    parts.push(part)
    ended = final
  })
  try {
    // In small bites, so that what unpacks to far more is stopped before it is all there.
    for (let i = 0; i < bytes.length; i += 512) inflate.push(bytes.subarray(i, i + 512), i + 512 >= bytes.length)
  } catch {
    return null
  }
  if (!ended) return null
  const whole = new Uint8Array(size)
  parts.reduce((at, part) => (whole.set(part, at), at + part.length), 0)
  return strFromU8(whole)
}
