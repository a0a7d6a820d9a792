export { Page, Space, Top } from './project-frame';
export { ProjectList } from './project-list';
