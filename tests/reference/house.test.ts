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
    ['core/placement/new.ts', "export { coverageOf } from '../coverage'"],
    ['core/looks/new.ts', "export { readPiece } from '../formats'"],
    ['core/looks/new.ts', "export { sceneOf } from '../scene'"],
    ['core/coverage/new.ts', "export { db } from '../../app/db'"],
    ['core/formats/new.ts', "export { SHOPS } from '../../server/shops/assortments'"],
    ['core/tasks/new.ts', "export { ref } from 'vue'"],
    ['core/workings.ts', "export { db } from '../app/db'"],
    // Past a door, and against the order of the app.
    ['core/price/new.ts', "export { mm } from '../measure/expression'"],
    ['core/looks/parts/new.ts', "export { mm } from '../../measure/expression'"],
    ['core/workings.ts', "export { mm } from './measure/expression'"],
    ['app/stores/new.ts', "export { mm } from '#core/measure/expression'"],
    ['server/new.ts', "export { mm } from '../core/measure/expression'"],
    ['app/db/new.ts', "export { useNotices } from '~/stores/notices'"],
    ['app/utils/new.ts', "export { useNews } from '../composables/useReleases'"],
    ['app/pages/new.ts', "import { db } from '~/db'\n\nexport const open = db"],
  ])('%s: %s is caught', async (path, line) => expect(await lint(path, line)).toEqual(['no-restricted-imports']))
  it.each([
    ['core/looks/new.ts', "export { inches } from '../measure'"],
    ['core/formats/new.ts', "export { migrate } from '../piece'"],
    ['app/new.ts', "export { work } from '#core/workings'"],
    ['core/looks/parts/new.ts', "export { tone } from '../colour'"],
    ['app/stores/new.ts', "export { db } from '~/db'"],
    ['app/pages/new.ts', "export type { PieceRecord } from '~/db'"],
  ])('%s: %s is fine', async (path, line) => expect(await lint(path, line)).toEqual([]))
  it('keeps clock and chance out of the core', async () => {
    expect(await lint('core/piece/new.ts', 'export const now = new Date()')).toEqual(['no-restricted-globals'])
    expect(await lint('core/looks/new.ts', 'export const chance = Math.random()')).toEqual(['no-restricted-properties'])
  })
}, 60_000)
