export { remembered, rememberedOf } from './remembered';
