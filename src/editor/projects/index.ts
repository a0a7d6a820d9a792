export { ProjectList } from './project-list';
