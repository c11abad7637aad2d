export { DistrictPage } from './district-page';
export { LightView } from './light-view';
export { NowPage } from './now-page';
export { SkyPage } from './sky-page';
export { YearPage } from './year-page';
