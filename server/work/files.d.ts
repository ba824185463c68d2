/** A file that is laid beside the bundle; its path from there. */
declare module '*.ttf' {
  const path: string
  export default path
}
