import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { releasesIn, since } from './changelog'

const TEXT = `# What is new

## 0.3.0 (2 March 2027)

- One thing
  over two lines.
- Another.

## 0.2.0 (1 December 2026)

- Before.
`

describe('the changelog', () => {
  it('is read by version, with lines that go on', () =>
    expect(releasesIn(TEXT)).toEqual([
      { version: '0.3.0', day: '2 March 2027', says: ['One thing over two lines.', 'Another.'] },
      { version: '0.2.0', day: '1 December 2026', says: ['Before.'] },
    ]))
  it('tells what came since: nothing of what was seen, the newest alone where nothing is known', () => {
    const all = releasesIn(TEXT)
    expect(since(all, '0.3.0')).toEqual([])
    expect(since(all, '0.2.0').map(({ version }) => version)).toEqual(['0.3.0'])
    expect(since(all, null).map(({ version }) => version)).toEqual(['0.3.0'])
  })
  it('of the app begins with its version, and every version says something', () => {
    const own = releasesIn(readFileSync('CHANGELOG.md', 'utf8'))
    const { version } = JSON.parse(readFileSync('package.json', 'utf8')) as { version: string }
    expect(own[0]!.version).toBe(version)
    expect(own.every(({ says }) => says.length > 0)).toBe(true)
  })
})
