import { useQuery } from '@tanstack/react-query';
import { FACES, type FaceSummary, type Faces } from '@/contract';
import { queries } from '../queries';
import { call, useSaving } from '../saving';

const facesOf = (project: string | undefined) => ({
  queryKey: ['faces', project],
  queryFn: () => call(FACES.list, { params: { id: project! } }),
  staleTime: Infinity,
});

/** The faces of the open project; null until they are here. */
export function useFaces(): Faces | null {
  const project = useSaving((s) => s.open?.projectId);
  const { data } = useQuery({ ...facesOf(project), enabled: project !== undefined });
  return data ?? null;
}

/** The faces of the open project, asked for where they are not here yet; none where they can't be had. */
export async function facesNow(): Promise<readonly FaceSummary[]> {
  const project = useSaving.getState().open?.projectId;
  if (project === undefined) return [];
  return queries.fetchQuery(facesOf(project)).then(
    ({ faces }) => faces,
    () => [],
  );
}

/** The kind of faces whose letters are strokes at once. */
export const SINGLE_LINE = 'single line';

/** The single-line faces as choices beside the others. */
export const lineFacesOf = (faces: Faces | null): FaceSummary[] =>
  (faces?.lineFaces ?? []).map(({ id, name }) => ({
    id: `line:${id}`,
    name,
    kind: SINGLE_LINE,
    weights: [400],
    sample: name,
  }));

/** The weight of a face nearest to one. */
export const nearestWeight = ({ weights }: FaceSummary, to: number): number =>
  Array.isArray(weights)
    ? weights.reduce((a, b) => (Math.abs(b - to) < Math.abs(a - to) ? b : a))
    : Math.min((weights as { max: number }).max, Math.max((weights as { min: number }).min, to));
