export { StartPage } from './start-page';
