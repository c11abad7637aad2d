export { Spine } from './spine';
