export { castRay, type RayHit, type WallEdge } from './horizon/castRay.js';
export { type District, type DistrictBuilding, HEIGHT_SOURCES, type HeightSource, metresFrom, placeAt } from './district.js';
export { aheadOf, asideOf, type Camera, CELL_M, GRID_CELLS, GRID_SIDE, gridPoints, placeBefore, seenCells } from './groundGrid.js';
export {
  type BearingMask,
  EVERY_BEARING,
  HORIZON_BEARINGS,
  type Horizons,
  isOpen,
  type SkyDirection,
  skyDirection,
  skyShareOf,
  type SpotPoint,
  uprightSkyShareOf,
} from './horizon/horizon.js';
export { horizonSteps, twoHorizonSteps } from './horizon/measureHorizon.js';
export { borderM, creepMPerMin, CREEP_OVER_MIN, largestPatch, largestSquareM, type LitPatch } from './patch.js';
export { sectionBuildings, type StreetSection, asideOfMiddleM } from './section.js';
export { type Outline, shadowPolygons } from './shadowPolygons.js';
export {
  isSpotInSun,
  sightAt,
  type MeasuredSite,
  measureOf,
  measureSteps,
  sceneOf,
  type Site,
  type SiteLook,
  type SiteMeasure,
  type SiteScene,
  siteScene,
  type SiteSight,
} from './siteScene.js';
export { type Span, streetCut, type StreetCut } from './streetCut.js';
export { streetShape, type StreetShape } from './streetAxis.js';
export { type FootWay, footMinutes, type WayNetwork, wayNetwork } from './wayNetwork.js';
export { footOn, type Point, type Way, WAY_KINDS, type WayKind, WIDEST_WAY_M } from './way.js';
export { sunBearings } from './horizon/sunBearings.js';
export { areTreesInLeaf, crownPrism, type Tree, TREE_LIGHT } from './trees.js';
export { incidenceOn, SUBJECT_HEIGHTS_M, type View, type ViewRay } from './viewRays.js';
export { BUILDING_HEIGHT_FIELD, SECTION_FIELDS } from './fields.js';
