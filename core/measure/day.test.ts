import { expect, it } from 'vitest'
import { clockSaid } from './day'

it.each([
  [0, '0:00'],
  [545, '9:05'],
  [1110, '18:30'],
  [59.7, '1:00'],
  [59.4, '0:59'],
  [1439.6, '24:00'],
])('shows %d minutes as %s', (minutes, said) => expect(clockSaid(minutes)).toBe(said))
