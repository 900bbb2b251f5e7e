import { findNodeAtLocation, getNodePath, parseTree, printParseErrorCode } from 'jsonc-parser'
import type { Node, ParseError } from 'jsonc-parser'
import { z } from 'zod'
import type { Piece } from '../piece'
import { migrate, PieceSchema, VERSION } from '../piece'

/** The largest file that is read, bytes: a piece with every layer full stays far below it. */
export const LARGEST_FILE = 8 * 1024 * 1024

/** Levels of a file beyond which it is no piece, and faults that are told of one file. */
const DEEPEST = 60
const MOST_FAULTS = 40

/** What is wrong in a file, and where. */
export interface FileFault {
  readonly says: string
  /** `layers[2].rule.count`; empty when it is the file as a whole. */
  readonly at: string
  readonly line: number | null
}

export type ReadPiece = { readonly ok: true, readonly piece: Piece } | { readonly ok: false, readonly faults: readonly FileFault[] }

/** A piece as the text of a file: one format for export, demo and import. */
export const writePiece = (piece: Piece): string => `${JSON.stringify(piece, null, 2)}\n`

/** Says when a file is too large to be read, before it is. */
export function tooLarge(bytes: number): FileFault | null {
  if (bytes <= LARGEST_FILE) return null
  return { says: `The file is ${(bytes / 1024 / 1024).toFixed(1)} MB; the most that is read is ${LARGEST_FILE / 1024 / 1024} MB.`, at: '', line: null }
}

/** Reads the text of a piece file of any version up to today's. Nothing is guessed and nothing is left out. */
export function readPiece(text: string): ReadPiece {
  const deep = tooDeep(text)
  if (deep !== null) return { ok: false, faults: [{ says: `The file is nested deeper than any piece: over ${DEEPEST} levels.`, at: '', line: lineAt(text, deep) }] }
  const errors: ParseError[] = []
  const tree = parseTree(text, errors, { disallowComments: true })
  const broken = errors[0]
  if (broken || !tree) {
    const line = lineAt(text, broken?.offset ?? 0)
    return { ok: false, faults: [{ says: broken ? `The file is broken: ${words(printParseErrorCode(broken.error))}.` : 'The file is empty.', at: '', line }] }
  }
  const twice = doubled(tree)
  if (twice) return { ok: false, faults: [{ says: `“${twice.key}” stands there twice.`, at: pathText(getNodePath(twice.node)), line: lineAt(text, twice.node.offset) }] }
  const input: unknown = JSON.parse(text)
  const current = migrate(input)
  if (!current.ok) return { ok: false, faults: [{ says: current.error, at: current.path.join('.'), line: lineOf(text, tree, current.path) }] }
  const read = PieceSchema.safeParse(current.document)
  if (read.success) return { ok: true, piece: read.data }
  return { ok: false, faults: read.error.issues.slice(0, MOST_FAULTS).map((issue) => faultOf(issue, text, tree)) }
}

/** Where a text goes deeper than any piece does; null when it does not. */
function tooDeep(text: string): number | null {
  let depth = 0
  let quoted = false
  for (let i = 0; i < text.length; i++) {
    const letter = text[i]
    if (quoted) {
      if (letter === '\\') i += 1
      else if (letter === '"') quoted = false
    }
    else if (letter === '"') quoted = true
    else if (letter === '[' || letter === '{') {
      depth += 1
      if (depth > DEEPEST) return i
    }
    else if (letter === ']' || letter === '}') depth -= 1
  }
  return null
}

/** A key that an object has twice, so that one value would win over the other without a word. */
function doubled(node: Node): { readonly key: string, readonly node: Node } | null {
  if (node.type === 'object') {
    const seen = new Set<string>()
    for (const property of node.children ?? []) {
      const key = String(property.children?.[0]?.value)
      if (seen.has(key)) return { key, node: property.children![0]! }
      seen.add(key)
    }
  }
  for (const child of node.children ?? []) {
    const found = doubled(child)
    if (found) return found
  }
  return null
}

function faultOf(issue: z.core.$ZodIssue, text: string, tree: Node): FileFault {
  const path = issue.path.map((part) => (typeof part === 'symbol' ? String(part) : part))
  return { says: `${issue.message}${issue.message.endsWith('.') ? '' : '.'}`, at: pathText(path), line: lineOf(text, tree, path) }
}

const pathText = (path: readonly (string | number)[]): string =>
  path.reduce<string>((out, part) => (typeof part === 'number' ? `${out}[${part}]` : out ? `${out}.${part}` : part), '')

/** The line of the value at a path, or of the nearest thing around it that is there. */
function lineOf(text: string, tree: Node, path: readonly (string | number)[]): number {
  for (let depth = path.length; depth > 0; depth--) {
    const node = findNodeAtLocation(tree, path.slice(0, depth))
    if (node) return lineAt(text, node.offset)
  }
  return lineAt(text, tree.offset)
}

const lineAt = (text: string, offset: number): number => text.slice(0, offset).split('\n').length

const words = (code: string): string => code.replace(/([a-z])([A-Z])/g, '$1 $2').toLowerCase()

/** The JSON Schema of a piece file, as published in docs/formats. */
export function pieceJsonSchema(): Record<string, unknown> {
  return { ...z.toJSONSchema(PieceSchema, { target: 'draft-2020-12' }), title: `Ruddy Bramble piece, version ${VERSION}` }
}
