import { createHash } from 'node:crypto'
import { expect, it } from 'vitest'
import { contentPolicy, inlineScripts } from './security-headers'

const html =
  '<head><script>alert(1)</script><script src="/a.js"></script><script type="application/json">{"a":1}</script><script type="importmap">{"imports":{}}</script></head>'

it('names a page’s own scripts by their hashes, and no others', () => {
  const hash = (text: string): string => `'sha256-${createHash('sha256').update(text).digest('base64')}'`
  expect(inlineScripts(html)).toEqual([hash('alert(1)'), hash('{"imports":{}}')])
})
it('lets no inline script run that is not named, and no page frame this one', () => {
  const policy = contentPolicy(inlineScripts(html))
  const of = (name: string): string => policy.split('; ').find((each) => each.startsWith(`${name} `))!
  expect(of('script-src')).toMatch(/^script-src 'self' 'sha256-\S+ 'sha256-\S+$/)
  expect(of('script-src')).not.toContain('unsafe')
  expect(of('frame-ancestors')).toBe("frame-ancestors 'none'")
  expect(of('default-src')).toBe("default-src 'none'")
})
