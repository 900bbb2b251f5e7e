export type { Cutting, InHand, Ledger, Listed, MaterialPlan, Money, Plan, PlanProgress, WantedLength, Workroom } from './workroom'
export * from './bench'
export * from './plan'
export * from './in-hand'
