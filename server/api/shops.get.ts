import { defineEventHandler } from 'h3'
import { ShopsSchema } from '../../core/material'
import { SHOPS } from '../shops/ranges'

/** The stand-in shops with their price lists of today. */
export default defineEventHandler(() => ShopsSchema.parse({ shops: SHOPS }))
