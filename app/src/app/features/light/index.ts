export { DistrictPage } from './district-page';
export { LightRoom } from './light-room';
export { NowPage } from './now-page';
export { SkyPage } from './sky-page';
export { YearPage } from './year-page';
