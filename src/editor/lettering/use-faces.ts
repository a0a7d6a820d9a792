import { useQuery } from '@tanstack/react-query';
import { FACES, type FaceSummary, type Faces } from '@/contract';
import { call, useSaving } from '../saving';

/** The faces of the open project; null until they are here. */
export function useFaces(): Faces | null {
  const project = useSaving((s) => s.open?.projectId);
  const { data } = useQuery({
    queryKey: ['faces', project],
    queryFn: () => call(FACES.list, { params: { id: project! } }),
    enabled: project !== undefined,
    staleTime: Infinity,
  });
  return data ?? null;
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
