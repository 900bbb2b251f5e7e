import { ESLint } from 'eslint'
import { beforeAll, describe, expect, it } from 'vitest'

// Not a check of a sum but of the house: the lint rules must catch an import that goes the wrong way.
describe('the direction of imports', () => {
  let lint: (path: string, line: string) => Promise<string[]>
  beforeAll(() => {
    const eslint = new ESLint()
    lint = async (path, line) => {
      const [result] = await eslint.lintText(`${line}\n`, { filePath: path })
      return result!.messages.map(({ ruleId }) => ruleId ?? 'broken')
    }
  })
  it.each([
    ['core/measure/new.ts', "export { work } from '../workings'"],
    ['core/base/new.ts', "export { CATALOGUE } from '../material'"],
    ['core/arrange/new.ts', "export { coverageOf } from '../cover/coverage'"],
    ['core/plant/new.ts', "export { readPiece } from '../exchange'"],
    ['core/plant/new.ts', "export { sceneOf } from '../scene'"],
    ['core/cover/new.ts', "export { db } from '../../app/db'"],
    ['core/exchange/new.ts', "export { SHOPS } from '../../server/shops/ranges'"],
    ['core/steps/new.ts', "export { ref } from 'vue'"],
    ['core/workings.ts', "export { db } from '../app/db'"],
  ])('%s: %s is caught', async (path, line) => expect(await lint(path, line)).toEqual(['no-restricted-imports']))
  it.each([
    ['core/plant/new.ts', "export { inches } from '../measure'"],
    ['core/exchange/new.ts', "export { migrate } from '../piece'"],
    ['app/new.ts', "export { work } from '#core/workings'"],
  ])('%s: %s is fine', async (path, line) => expect(await lint(path, line)).toEqual([]))
  it('keeps clock and chance out of the core', async () => {
    expect(await lint('core/piece/new.ts', 'export const now = new Date()')).toEqual(['no-restricted-globals'])
    expect(await lint('core/plant/new.ts', 'export const chance = Math.random()')).toEqual(['no-restricted-properties'])
  })
}, 60_000)
