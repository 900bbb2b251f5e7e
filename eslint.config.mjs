// @ts-check
import a11y from 'eslint-plugin-vuejs-accessibility'
import withNuxt from './.nuxt/eslint.config.mjs'

/**
 * The rooms of the core, ground floor first, and the floors of the app. What is on one imports only from what is above it in
 * its list, and of another room only what its door, index.ts, gives. This list is the only one: README, the bench and the
 * tests go by it.
 */
export const ROOMS = [
  'measure',
  'base',
  'material',
  'piece',
  'placement',
  'looks',
  'coverage',
  'cut',
  'constructions',
  'fixing',
  'hanging',
  'stock',
  'price',
  'tasks',
  'season',
  'daybook',
  'scene',
  'formats',
]
export const FLOORS = ['utils', 'drawing', 'db', 'commands', 'workers', 'print', 'stores', 'composables', 'components', 'pages']

const pastTheDoor = (rooms) => ({
  regex: `(^|/)(${rooms.join('|')})/.+`,
  message: 'Of another room only its door: what it gives is in its index.ts.',
})

const noWayIn = {
  group: ['**/app/**', '**/server/**', '~/**', '~~/**', '#app', '#imports', '#components', 'vue', 'nuxt', 'dexie', 'pinia', 'node:*'],
  message: 'The core knows nothing of the interface, the server or the machine it runs on.',
}

const rooms = ROOMS.map((room, i) => ({
  files: [`core/${room}/**/*.ts`],
  ignores: ['**/*.test.ts'],
  rules: {
    'no-restricted-imports': [
      'error',
      {
        patterns: [
          noWayIn,
          pastTheDoor(ROOMS.filter((other) => other !== room)),
          {
            regex: `(^|/)(${[...ROOMS.slice(i + 1), 'workings', 'workroom(/.+)?', 'testing'].join('|')})$`,
            message: `“${room}” imports only from the rooms above it: ${ROOMS.slice(0, i).join(', ') || 'none'}.`,
          },
        ],
      },
    ],
    'no-restricted-globals': ['error', { name: 'Date', message: 'The core has no clock.' }],
    'no-restricted-properties': ['error', { object: 'Math', property: 'random', message: 'Take a seeded stream from measure/random.' }],
  },
}))

const floors = FLOORS.map((floor, i) => ({
  files: [`app/${floor}/**/*.{ts,vue}`],
  ignores: ['**/*.test.ts'],
  rules: {
    'no-restricted-imports': [
      'error',
      {
        patterns: [
          pastTheDoor(ROOMS.map((room) => `#core/${room}`)),
          ...(['components', 'pages'].includes(floor)
            ? [{ regex: '^~/db$', importNames: ['db'], message: 'What is shown asks a store or a composable, not the database.' }]
            : []),
          ...(i < FLOORS.length - 1
            ? [
                {
                  regex: `^(~|(\\.\\./)+)/?(${FLOORS.slice(i + 1).join('|')})(/|$)`,
                  message: `“${floor}” imports only from the floors above it: ${FLOORS.slice(0, i).join(', ') || 'none'}.`,
                },
              ]
            : []),
        ],
      },
    ],
  },
}))

/** Ids that are looked up as if every object had only its own. */
const IDS_AS_KEYS = ['materials', 'stash'].map((of) => ({
  selector: `MemberExpression[computed=true][object.type='MemberExpression'][object.property.name='${of}']`,
  message: 'Any word may be an id: ask materialOf or stashOf, which find only what the shelf itself has.',
}))
/** The number of a figure, in a sum. */
const FIGURE_IN_SUM = {
  selector: "BinaryExpression[operator=/^[-+*\\u002F]$/] > MemberExpression[property.name='value'][object.type='MemberExpression']",
  message: 'No view computes: what follows from figures is a figure of the core, with its sum.',
}

/** Functions that are one thing and yet long: an algorithm, a store’s setup, a switch over all there is. */
const LONG = [
  'core/cut/{search,lower-bound}.ts',
  'core/looks/coverage-mask.ts',
  'core/piece/edit.ts',
  'app/stores/{bench-keeping,previews,settings}.ts',
  'app/composables/useDraft.ts',
  'app/workers/bridge.ts',
]
/** Drawing takes a pen, a place and a tone besides what it draws. */
const DRAWING = ['core/looks/parts/*.ts', 'core/looks/species/made.ts', 'core/looks/base.ts', 'core/measure/rule-of-thumb.ts']

export default withNuxt(
  ...rooms,
  {
    files: ['core/**/*.ts', 'app/**/*.ts', 'server/**/*.ts'],
    ignores: ['**/*.test.ts', ...LONG],
    rules: { 'max-lines-per-function': ['error', { max: 60, skipBlankLines: true, skipComments: true }] },
  },
  {
    files: ['core/**/*.ts', 'app/**/*.ts', 'server/**/*.ts'],
    ignores: ['**/*.test.ts', ...DRAWING],
    rules: { 'max-params': ['error', 5] },
  },
  {
    files: ['core/**/*.ts', 'app/**/*.{ts,vue}'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-syntax': ['error', ...IDS_AS_KEYS],
    },
  },
  {
    files: ['app/{components,pages}/**/*.vue'],
    rules: { 'no-restricted-syntax': ['error', ...IDS_AS_KEYS, FIGURE_IN_SUM], 'vue/no-restricted-syntax': ['error', FIGURE_IN_SUM] },
  },
  {
    files: ['core/*.ts', 'core/workroom/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: { 'no-restricted-imports': ['error', { patterns: [noWayIn, pastTheDoor(ROOMS)] }] },
  },
  {
    files: ['server/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: { 'no-restricted-imports': ['error', { patterns: [pastTheDoor(ROOMS.map((room) => `core/${room}`))] }] },
  },
  ...floors,
  ...a11y.configs['flat/recommended'],
  {
    rules: {
      // Labels stand beside their fields, and frames listen to what comes up from the buttons in them.
      'vuejs-accessibility/label-has-for': 'off',
      'vuejs-accessibility/no-static-element-interactions': 'off',
      'vuejs-accessibility/click-events-have-key-events': 'off',
      'vue/max-attributes-per-line': 'off',
      'vue/singleline-html-element-content-newline': 'off',
      'vue/multiline-html-element-content-newline': 'off',
      'vue/html-self-closing': 'off',
      'vue/html-closing-bracket-newline': 'off',
      'vue/html-indent': 'off',
      'vue/first-attribute-linebreak': 'off',
      'vue/require-default-prop': 'off',
    },
  },
)
