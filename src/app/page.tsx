import { ProjectList } from '@/editor';

export default function Home() {
  return <ProjectList />;
}
