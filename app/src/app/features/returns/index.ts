export { ReturnsPage } from './returns-page';
export { nextLines } from './return-words';
