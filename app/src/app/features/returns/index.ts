export { ReturnsPage } from './returns-page';
