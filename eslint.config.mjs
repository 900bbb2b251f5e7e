// @ts-check
import withNuxt from './.nuxt/eslint.config.mjs'

/** The rooms of the core, ground floor first. A room imports only from rooms above it in this list. */
const ROOMS = [
  'measure',
  'base',
  'material',
  'piece',
  'arrange',
  'plant',
  'cover',
  'cut',
  'construct',
  'fix',
  'hang',
  'stock',
  'price',
  'steps',
  'season',
  'daybook',
  'scene',
  'exchange',
]

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
          ...(i < ROOMS.length - 1
            ? [
                {
                  group: ROOMS.slice(i + 1)
                    .map((below) => `**/${below}`)
                    .concat(
                      ROOMS.slice(i + 1).map((below) => `**/${below}/**`),
                      '**/workings',
                      '**/testing',
                      '**/workroom',
                    ),
                  message: `“${room}” imports only from the rooms above it: ${ROOMS.slice(0, i).join(', ') || 'none'}.`,
                },
              ]
            : []),
        ],
      },
    ],
    'no-restricted-globals': ['error', { name: 'Date', message: 'The core has no clock.' }],
    'no-restricted-properties': ['error', { object: 'Math', property: 'random', message: 'Take a seeded stream from measure/random.' }],
  },
}))

export default withNuxt(
  ...rooms,
  {
    files: ['core/**/*.ts', 'app/**/*.{ts,vue}'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-syntax': [
        'error',
        ...['materials', 'stash'].map((of) => ({
          selector: `MemberExpression[computed=true][object.type='MemberExpression'][object.property.name='${of}']`,
          message: 'Any word may be an id: ask materialOf or stashOf, which find only what the shelf itself has.',
        })),
      ],
    },
  },
  { files: ['core/*.ts'], ignores: ['**/*.test.ts'], rules: { 'no-restricted-imports': ['error', { patterns: [noWayIn] }] } },
  {
    rules: {
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
