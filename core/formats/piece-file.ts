import { findNodeAtLocation, getNodePath, parseTree, printParseErrorCode } from 'jsonc-parser'
import type { Node, ParseError } from 'jsonc-parser'
import { z } from 'zod'
import { SPECIES } from '../looks'
import { MaterialSchema } from '../material'
import { LayerSchema, migrate, moneyOf, PieceSchema, VERSION } from '../piece'
import type { FileFault, PieceFile } from './portable-piece'

/** Levels of a file beyond which it is no piece, and faults that are told of one file. */
const DEEPEST = 60
const MOST_FAULTS = 40
/** The most entries of one list or object: twice what the largest may have. */
const MOST_ENTRIES = 10_000

export type ReadPiece = ({ readonly ok: true } & PieceFile) | { readonly ok: false; readonly faults: readonly FileFault[] }

const OwnMaterialsSchema = z
  .array(MaterialSchema.refine(({ species }) => species in SPECIES, { path: ['species'], message: 'Nothing is drawn as that.' }))
  .max(500)
const FileSchema = PieceSchema.safeExtend({
  materials: OwnMaterialsSchema.optional().describe('those of its materials that are its maker’s own'),
})

/** Reads the text of a piece file of any version up to today's. Nothing is guessed and nothing is left out. */
export function readPiece(text: string): ReadPiece {
  const deep = tooDeep(text)
  if (deep !== null)
    return {
      ok: false,
      faults: [{ says: `The file is nested deeper than any piece: over ${DEEPEST} levels.`, at: '', line: lineAt(text, deep) }],
    }
  const errors: ParseError[] = []
  const tree = parseTree(text, errors, { disallowComments: true })
  const broken = errors[0]
  if (broken || !tree) {
    const line = lineAt(text, broken?.offset ?? 0)
    return {
      ok: false,
      faults: [{ says: broken ? `The file is broken: ${words(printParseErrorCode(broken.error))}.` : 'The file is empty.', at: '', line }],
    }
  }
  const odd = oddPart(tree)
  if (odd) return { ok: false, faults: [{ says: odd.says, at: pathText(getNodePath(odd.node)), line: lineAt(text, odd.node.offset) }] }
  const input: unknown = JSON.parse(text)
  const current = migrate(input)
  if (!current.ok)
    return { ok: false, faults: [{ says: current.error, at: current.path.join('.'), line: lineOf(text, tree, current.path) }] }
  const issues = issuesOf(current.document)
  if (issues.length) return { ok: false, faults: issues.slice(0, MOST_FAULTS).map((issue) => faultOf(issue, text, tree)) }
  const { materials = [], ...piece } = FileSchema.parse(current.document)
  return { ok: true, piece, materials, money: moneyOf(input) }
}

/** What is wrong in a document. A schema gathers every fault of what it is given, so a large file that is wrong throughout is looked at layer by layer, until enough is known. */
function issuesOf(document: Record<string, unknown>): z.core.$ZodIssue[] {
  const { layers } = document
  if (!Array.isArray(layers)) return FileSchema.safeParse(document).error?.issues ?? []
  const issues = FileSchema.safeParse({ ...document, layers: [] }).error?.issues ?? []
  for (let i = 0; i < layers.length && issues.length < MOST_FAULTS; i++) {
    issues.push(
      ...(LayerSchema.safeParse(layers[i]).error?.issues ?? []).map((issue) => ({ ...issue, path: ['layers', i, ...issue.path] })),
    )
  }
  return issues.length ? issues : (FileSchema.safeParse(document).error?.issues ?? [])
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
    } else if (letter === '"') quoted = true
    else if (letter === '[' || letter === '{') {
      depth += 1
      if (depth > DEEPEST) return i
    } else if (letter === ']' || letter === '}') depth -= 1
  }
  return null
}

/**
 * What no schema would tell well: a key that an object has twice, so that one value would win over the other without
 * a word; a key that would be left out; more entries than any part of a piece has.
 */
function oddPart(node: Node): { readonly says: string; readonly node: Node } | null {
  const entries = node.children?.length ?? 0
  if (entries > MOST_ENTRIES)
    return { says: `There are ${entries} entries here; the most that any part of a piece has is ${MOST_ENTRIES}.`, node }
  if (node.type === 'object') {
    const seen = new Set<string>()
    for (const property of node.children ?? []) {
      const key = String(property.children?.[0]?.value)
      if (seen.has(key)) return { says: `“${key}” stands there twice.`, node: property.children![0]! }
      if (key === '__proto__') return { says: `“${key}” is not a name that anything here has.`, node: property.children![0]! }
      seen.add(key)
    }
  }
  for (const child of node.children ?? []) {
    const found = oddPart(child)
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
  return { ...z.toJSONSchema(FileSchema, { target: 'draft-2020-12' }), title: `Ruddy Bramble piece, version ${VERSION}` }
}
