/** The module build has the types of the package, which names its other build. */
declare module 'leaflet/dist/leaflet-src.esm.js' {
  export * from 'leaflet';
}
