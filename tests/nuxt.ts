/** Outside the app: what the app's build says of itself, by which what was worked out is kept. */
export const useRuntimeConfig = () => ({ public: { made: { sums: 'sums', looks: 'looks' } } })
