import { ProjectList } from '@/editor/projects';

export default function Home() {
  return <ProjectList />;
}
