declare module 'dxf-writer/src/Handle.js' {
  const Handle: { seed: number }
  export default Handle
}
