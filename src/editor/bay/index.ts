export { EditBay } from './edit-bay';
