export { KeptPicture } from './kept-picture';
