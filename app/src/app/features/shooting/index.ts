export { ShootingFields } from './shooting-fields';
