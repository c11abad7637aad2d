export { BeforeSettingOff } from './before-setting-off';
