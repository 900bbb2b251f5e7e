// What imports what, types too, goes one way.
export default {
  forbidden: [{ name: 'no-circle', severity: 'error', from: { path: '^core/' }, to: { circular: true } }],
  options: { tsPreCompilationDeps: true, exclude: { path: '\\.test\\.ts$' }, doNotFollow: { path: 'node_modules' } },
}
