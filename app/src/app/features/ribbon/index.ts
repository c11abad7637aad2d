export { RibbonHead } from './ribbon-head';
