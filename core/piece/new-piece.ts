import type { BaseKind } from '../base'
import { usualBase } from '../base'
import { inches, USUAL } from '../measure'
import { baseOfKind } from './change-base'
import { usualAsking } from './pricing-decisions'
import { usualFixing, usualMaking } from './making-decisions'
import type { Piece } from './schema'
import { FORMAT, VERSION } from './schema'

/** A piece as it is before its first decision. */
export function startPiece(id: string, name: string, kind: BaseKind = 'grapevine'): Piece {
  const brief: Piece['brief'] = {
    name,
    occasion: '',
    surface: { kind: 'boards', colour: '#5E7C84' },
    light: 'day',
    door: { width: inches(36), height: inches(80) },
    weather: 'covered',
    fullness: 'full',
    hand: 'loose',
    balance: { school: 'even', towards: 0 },
    budget: null,
    copies: 1,
  }
  return {
    format: FORMAT,
    version: VERSION,
    id,
    stage: 'planned',
    brief,
    base: baseOfKind({ brief, base: usualBase(kind) }, kind, USUAL),
    layers: [],
    parts: [],
    fixing: usualFixing(),
    hanger: null,
    making: usualMaking(),
    asking: usualAsking(),
    weighed: [],
  }
}
