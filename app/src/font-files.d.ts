/** A font that ships as a file of its own: where it is. */
declare module '*.ttf' {
  const url: string;
  export default url;
}
