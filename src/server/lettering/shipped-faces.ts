/** A face that ships with Obelus: its package, and what it is good for. */
export interface ShippedFace {
  readonly id: string;
  readonly name: string;
  readonly kind: 'script' | 'brush' | 'round' | 'serif' | 'sans' | 'condensed' | 'arabic' | 'indic';
  /** Folder names of the package, by weight. */
  readonly weights: Readonly<Record<number, string>>;
  /** A word that shows it. */
  readonly sample: string;
}

const WEIGHTS: Record<number, string> = {
  200: 'ExtraLight',
  300: 'Light',
  400: 'Regular',
  500: 'Medium',
  600: 'SemiBold',
  700: 'Bold',
  800: 'ExtraBold',
  900: 'Black',
};

const face = (
  id: string,
  name: string,
  kind: ShippedFace['kind'],
  weights: readonly number[] = [400],
  sample = name,
): ShippedFace => ({
  id,
  name,
  kind,
  sample,
  weights: Object.fromEntries(weights.map((w) => [w, `${w}${WEIGHTS[w]}`])),
});

/** All under the SIL Open Font Licence, from packages of @expo-google-fonts, which carry their licences. */
export const SHIPPED_FACES: readonly ShippedFace[] = [
  face('sacramento', 'Sacramento', 'script'),
  face('allura', 'Allura', 'script'),
  face('great-vibes', 'Great Vibes', 'script'),
  face('dancing-script', 'Dancing Script', 'script', [400, 500, 600, 700]),
  face('satisfy', 'Satisfy', 'brush'),
  face('kaushan-script', 'Kaushan Script', 'brush'),
  face('pacifico', 'Pacifico', 'brush'),
  face('caveat-brush', 'Caveat Brush', 'brush'),
  face('comfortaa', 'Comfortaa', 'round', [300, 400, 500, 600, 700]),
  face('quicksand', 'Quicksand', 'round', [300, 400, 500, 600, 700]),
  face('varela-round', 'Varela Round', 'round'),
  face('nunito', 'Nunito', 'round', [200, 300, 400, 500, 600, 700, 800, 900]),
  face('fredoka', 'Fredoka', 'round', [300, 400, 500, 600, 700]),
  face('lora', 'Lora', 'serif', [400, 500, 600, 700]),
  face('eb-garamond', 'EB Garamond', 'serif', [400, 500, 600, 700, 800]),
  face('work-sans', 'Work Sans', 'sans', [200, 300, 400, 500, 600, 700, 800, 900]),
  face('oswald', 'Oswald', 'condensed', [200, 300, 400, 500, 600, 700]),
  face('barlow-condensed', 'Barlow Condensed', 'condensed', [200, 300, 400, 500, 600, 700, 800, 900]),
  face('amiri', 'Amiri', 'arabic', [400, 700], 'مد البحر'),
  face('cairo', 'Cairo', 'arabic', [200, 300, 400, 500, 600, 700, 800, 900], 'مد البحر'),
  face('noto-naskh-arabic', 'Noto Naskh Arabic', 'arabic', [400, 500, 600, 700], 'مد البحر'),
  face('hind', 'Hind', 'indic', [300, 400, 500, 600, 700], 'ज्वार'),
];

/** A face that ships as one file which changes along its axes. */
interface VariableFace extends Omit<ShippedFace, 'weights'> {
  /** Below node_modules. */
  readonly file: string;
  readonly weights: { readonly min: number; readonly max: number };
}

/** Variable faces, under the SIL Open Font Licence as well. */
export const VARIABLE_FACES: readonly VariableFace[] = [
  {
    id: 'instrument-sans',
    name: 'Instrument Sans',
    kind: 'sans',
    sample: 'Instrument Sans',
    file: '@fontsource-variable/instrument-sans/files/instrument-sans-latin-standard-normal.woff2',
    weights: { min: 400, max: 700 },
  },
];
