/** Small SVG pictures, each of one thing that files do, in a viewBox of 96 by 96. */
const DEFS = `<defs>
  <linearGradient id="l"><stop stop-color="#c30"/><stop offset="1" stop-color="#06c"/></linearGradient>
  <radialGradient id="r"><stop stop-color="#fd0"/><stop offset="1" stop-color="#808"/></radialGradient>
  <clipPath id="c"><circle cx="48" cy="48" r="30"/></clipPath>
  <mask id="m"><rect width="96" height="96" fill="#fff"/><circle cx="48" cy="48" r="24" fill="#444"/></mask>
  <pattern id="p" width="16" height="16" patternUnits="userSpaceOnUse"><rect width="8" height="8" fill="#067"/><circle cx="12" cy="12" r="3" fill="#d60"/></pattern>
  <path id="k" d="M20 20h40v40h-40z"/>
</defs>`;

const both = 'fill="#c30" stroke="#036" stroke-width="14"';
const line = 'fill="none" stroke="#135" stroke-width="6"';
const wave = 'd="M10 60C30 10 60 90 86 30"';

/** Name, and what stands in the picture. */
export const SVG_CASES: readonly (readonly [name: string, inside: string, head?: string])[] = [
  // Opacity of what is painted together.
  ['opacity of fill and stroke', `<rect x="20" y="20" width="50" height="50" opacity=".5" ${both}/>`],
  ['opacity of a group of one', `<g opacity=".4"><rect x="20" y="20" width="50" height="50" ${both}/></g>`],
  [
    'opacity of a group of two',
    `<g opacity=".5"><circle cx="36" cy="48" r="24" fill="#c30"/><circle cx="60" cy="48" r="24" fill="#06c"/></g>`,
  ],
  ['opacity of a use', `<use href="#k" opacity=".4" ${both}/>`],
  [
    'opacity within opacity',
    `<g opacity=".6"><g opacity=".5"><rect x="10" y="10" width="50" height="50" ${both}/></g><circle cx="60" cy="60" r="20"/></g>`,
  ],
  ['opacity in per cent', `<rect x="20" y="20" width="50" height="50" opacity="30%" ${both}/>`],
  ['opacity as a style', `<rect x="20" y="20" width="50" height="50" style="opacity:.3" ${both}/>`],
  [
    'fill and stroke opacity',
    `<rect x="20" y="20" width="50" height="50" fill-opacity=".3" stroke-opacity=".6" ${both}/>`,
  ],
  [
    'opacity of a nested picture',
    `<svg x="10" y="10" width="60" height="60" opacity=".4"><rect width="50" height="50" ${both}/></svg>`,
  ],
  [
    'opacity of a symbol used',
    `<symbol id="s" viewBox="0 0 10 10"><rect width="8" height="8" fill="#c30" stroke="#036" stroke-width="2"/></symbol><use href="#s" width="80" height="80" opacity=".5"/>`,
  ],
  ['opacity nought', `<rect x="20" y="20" width="50" height="50" opacity="0"/><circle r="20"/>`],
  // Variables, cascade, validity.
  ['variable', `<g style="--a:#0a5"><rect x="10" y="10" width="60" height="60" fill="var(--a)"/></g>`],
  ['variable with a fallback', `<rect x="10" y="10" width="60" height="60" style="fill:var(--none, #a05)"/>`],
  [
    'variable in a variable',
    `<style>rect{--a:var(--b,#258);fill:var(--a)}</style><rect x="10" y="10" width="60" height="60"/>`,
  ],
  [
    'variable that is nothing',
    `<g fill="#0a0"><rect x="10" y="10" width="60" height="60" style="fill:var(--none)"/></g>`,
  ],
  ['variable as a width', `<path ${wave} fill="none" stroke="#135" style="--w:9;stroke-width:var(--w)"/>`],
  [
    'invalid fill inherits',
    `<g fill="#0a0"><rect x="10" y="10" width="60" height="60" fill="no-such-colour"/></g>`,
  ],
  [
    'invalid style gives way to the attribute',
    `<rect x="10" y="10" width="60" height="60" fill="#08c" style="fill:nonsense(3)"/>`,
  ],
  ['invalid stroke width', `<path ${wave} fill="none" stroke="#135" stroke-width="wide"/>`],
  [
    'negative stroke width',
    `<g stroke-width="5"><path ${wave} fill="none" stroke="#135" stroke-width="-4"/></g>`,
  ],
  [
    'inherit and initial',
    `<g fill="#0a0"><rect x="5" y="5" width="40" height="40" fill="inherit"/><rect x="50" y="50" width="40" height="40" fill="initial"/></g>`,
  ],
  [
    'currentColor through a group',
    `<g color="#a0c"><g fill="currentColor"><rect x="10" y="10" width="60" height="60"/></g></g>`,
  ],
  [
    'rgb, hsl and names',
    `<rect x="5" y="5" width="25" height="80" fill="rgb(200 40 20)"/><rect x="35" y="5" width="25" height="80" fill="hsl(200 80% 40%)"/><rect x="65" y="5" width="25" height="80" fill="rebeccapurple"/>`,
  ],
  [
    'a colour that is half there',
    `<rect x="10" y="10" width="60" height="60" fill="rgb(200 40 20 / 40%)" stroke="#00f8" stroke-width="10"/>`,
  ],
  [
    'selector of a child',
    `<style>g>rect{fill:#0a5}g rect{stroke:#500;stroke-width:4}</style><g><rect x="10" y="10" width="60" height="60"/></g>`,
  ],
  [
    'selector of an attribute',
    `<style>[data-part="a"]{fill:#0a5}rect[rx]{stroke:#500;stroke-width:4}</style><rect data-part="a" rx="8" x="10" y="10" width="60" height="60"/>`,
  ],
  [
    'selector of a sibling',
    `<style>circle+rect{fill:#0a5}circle~path{stroke:#c00}</style><circle cx="80" cy="80" r="10"/><rect x="10" y="10" width="60" height="60"/><path ${wave} fill="none" stroke-width="4"/>`,
  ],
  [
    'selector of a place among others',
    `<style>rect:nth-child(2n){fill:#0a5}rect:first-of-type{fill:#c30}</style><rect x="5" y="5" width="20" height="80"/><rect x="30" y="5" width="20" height="80"/><rect x="55" y="5" width="20" height="80"/>`,
  ],
  [
    'selector of what is not',
    `<style>rect:not(.a){fill:#0a5}</style><rect class="a" x="5" y="5" width="40" height="40"/><rect x="50" y="50" width="40" height="40"/>`,
  ],
  [
    'important',
    `<style>rect{fill:#0a5!important}</style><rect style="fill:red" x="10" y="10" width="60" height="60"/>`,
  ],
  [
    'media of a screen and of paper',
    `<style>@media screen{rect{fill:#0a5}}@media print{rect{fill:red}}</style><rect x="10" y="10" width="60" height="60"/>`,
  ],
  [
    'display and visibility',
    `<g visibility="hidden"><rect width="40" height="40"/><rect visibility="visible" x="50" y="50" width="40" height="40" fill="#c30"/></g><rect display="none" width="96" height="96"/>`,
  ],
  [
    'style within a group of its own',
    `<g class="q"><style>.q rect{fill:#258}</style><rect x="10" y="10" width="60" height="60"/></g>`,
  ],
  // Viewports.
  [
    'nested picture clips',
    `<svg x="20" y="20" width="40" height="40"><circle cx="40" cy="40" r="30" fill="#c30"/></svg>`,
  ],
  [
    'nested picture that overflows',
    `<svg x="20" y="20" width="40" height="40" overflow="visible"><circle cx="40" cy="40" r="30" fill="#c30"/></svg>`,
  ],
  [
    'nested picture with a viewBox',
    `<svg x="10" y="10" width="70" height="40" viewBox="0 0 10 10" preserveAspectRatio="xMaxYMid slice"><circle cx="5" cy="5" r="5" fill="#c30"/></svg>`,
  ],
  [
    'symbol clips',
    `<symbol id="s" viewBox="0 0 10 10"><circle cx="10" cy="5" r="5" fill="#c30"/></symbol><use href="#s" x="10" y="10" width="60" height="60"/>`,
  ],
  [
    'symbol that overflows',
    `<symbol id="s" viewBox="0 0 10 10" overflow="visible"><circle cx="10" cy="5" r="5" fill="#c30"/></symbol><use href="#s" x="10" y="10" width="60" height="60"/>`,
  ],
  [
    'symbol without a viewBox',
    `<symbol id="s"><rect width="90" height="90" fill="#c30"/></symbol><use href="#s" x="10" y="10" width="50" height="40"/>`,
  ],
  [
    'use of a nested picture',
    `<defs><svg id="n" viewBox="0 0 10 10" width="20" height="20"><rect width="10" height="10" fill="#c30"/></svg></defs><use href="#n" x="10" y="10" width="60" height="60"/>`,
  ],
  [
    'turned nested picture',
    `<g transform="rotate(20 48 48)"><svg x="20" y="20" width="40" height="40"><rect width="80" height="80" fill="#c30"/></svg></g>`,
  ],
  [
    'sides in per cent',
    `<svg width="50%" height="50%"><rect x="10%" y="10%" width="80%" height="80%" fill="#c30"/></svg>`,
  ],
  ['a picture that reaches out of itself', `<circle cx="90" cy="90" r="60" fill="#c30"/>`],
  ['ground of the picture', `<circle cx="48" cy="48" r="30" fill="#c30"/>`, 'style="background:#dfe8d0"'],
  ['ground as a colour', `<circle cx="48" cy="48" r="30" fill="#c30"/>`, 'style="background-color:#cde"'],
  // Lines.
  ['pathLength with dashes', `<path ${wave} ${line} pathLength="100" stroke-dasharray="10 5"/>`],
  ['pathLength of a circle', `<circle cx="48" cy="48" r="34" ${line} pathLength="12" stroke-dasharray="1"/>`],
  [
    'pathLength with an offset',
    `<path ${wave} ${line} pathLength="10" stroke-dasharray="3 1" stroke-dashoffset="2"/>`,
  ],
  ['dashes in per cent', `<path ${wave} ${line} stroke-dasharray="10% 5%"/>`],
  ['dashes in millimetres', `<path ${wave} ${line} stroke-dasharray="2mm 1mm"/>`],
  ['dashes of an odd count', `<path ${wave} ${line} stroke-dasharray="12 4 2"/>`],
  ['dashes, offset in points', `<path ${wave} ${line} stroke-dasharray="12 6" stroke-dashoffset="6pt"/>`],
  ['dashes that are none', `<path ${wave} ${line} stroke-dasharray="0 0"/>`],
  ['negative dashes', `<path ${wave} ${line} stroke-dasharray="-4 2"/>`],
  ['width in per cent', `<path ${wave} fill="none" stroke="#135" stroke-width="10%"/>`],
  ['width in millimetres', `<path ${wave} fill="none" stroke="#135" stroke-width="3mm"/>`],
  [
    'a width over 4000 units',
    `<g transform="scale(.001)"><path d="M10000 48000H86000" stroke="#135" stroke-width="20000"/></g>`,
  ],
  ['stroke under fill', `<rect x="25" y="25" width="46" height="46" paint-order="stroke" ${both}/>`],
  [
    'stroke under fill, half there',
    `<rect x="25" y="25" width="46" height="46" style="paint-order:stroke fill" fill-opacity=".5" ${both}/>`,
  ],
  [
    'markers, then stroke',
    `<rect x="25" y="25" width="46" height="46" paint-order="markers stroke" ${both}/>`,
  ],
  [
    'line of a width that stays',
    `<g transform="scale(4)"><path d="M4 4L20 12" stroke="#135" stroke-width="3" vector-effect="non-scaling-stroke"/></g>`,
  ],
  [
    'line that stays, squeezed',
    `<g transform="translate(48 48) scale(4 1) rotate(20)"><circle r="9" fill="#fd0" stroke="#135" stroke-width="4" vector-effect="non-scaling-stroke"/></g>`,
  ],
  [
    'line drawn out of round',
    `<g transform="scale(3 .8)"><path d="M4 20q12 90 24 70" fill="none" stroke="#135" stroke-width="5"/></g>`,
  ],
  [
    'caps of nothing',
    `<path d="M20 48h0M48 48h0" stroke="#135" stroke-width="20" stroke-linecap="round"/><path d="M76 48z" stroke="#135" stroke-width="20" stroke-linecap="square"/>`,
  ],
  ['miters', `<path d="M20 80L48 12L76 80" ${line} stroke-miterlimit="2"/>`],
  [
    'joins',
    `<path d="M10 80L30 20L50 80" ${line} stroke-linejoin="bevel"/><path d="M50 80L70 20L90 80" ${line} stroke-linejoin="round"/>`,
  ],
  // Transforms.
  [
    'turned about an origin',
    `<rect x="30" y="30" width="36" height="36" fill="#c30" transform="rotate(30)" transform-origin="48 48"/>`,
  ],
  [
    'turned about an origin by style',
    `<rect x="30" y="30" width="36" height="36" fill="#c30" style="transform:rotate(30deg);transform-origin:48px 48px"/>`,
  ],
  [
    'about the middle of the picture',
    `<rect x="10" y="30" width="36" height="36" fill="#c30" style="transform:rotate(40deg);transform-origin:center"/>`,
  ],
  [
    'about its own middle',
    `<rect x="10" y="30" width="36" height="36" fill="#c30" style="transform:rotate(40deg);transform-origin:center;transform-box:fill-box"/>`,
  ],
  [
    'origin right bottom',
    `<rect x="10" y="30" width="36" height="36" fill="#c30" style="transform:scale(.5);transform-origin:right bottom"/>`,
  ],
  [
    'a share of a turn',
    `<rect x="30" y="30" width="36" height="36" fill="#c30" style="transform:rotate(.1turn)"/>`,
  ],
  ['radians', `<rect x="30" y="10" width="36" height="36" fill="#c30" style="transform:rotate(.4rad)"/>`],
  ['gradians', `<rect x="30" y="10" width="36" height="36" fill="#c30" style="transform:rotate(30grad)"/>`],
  [
    'skewed by style',
    `<rect x="10" y="10" width="36" height="36" fill="#c30" style="transform:skewX(20deg) translate(10px, 20px)"/>`,
  ],
  ['moved by per cent', `<rect width="36" height="36" fill="#c30" style="transform:translate(25%, 10%)"/>`],
  ['scaled by per cent', `<rect width="36" height="36" fill="#c30" style="transform:scale(150%)"/>`],
  ['a transform in error', `<rect x="10" y="10" width="36" height="36" fill="#c30" transform="rotate(x)"/>`],
  [
    'matrix',
    `<rect x="10" y="10" width="36" height="36" fill="#c30" transform="matrix(1 .3 -.2 1.2 10 5)"/>`,
  ],
  [
    'rotate about a place',
    `<rect x="30" y="30" width="36" height="36" fill="#c30" transform="rotate(30, 48, 48)"/>`,
  ],
  // Blending.
  [
    'multiply',
    `<rect x="10" y="10" width="50" height="50" fill="#fc0"/><rect x="36" y="36" width="50" height="50" fill="#0cf" style="mix-blend-mode:multiply"/>`,
  ],
  [
    'screen of a group',
    `<rect width="96" height="96" fill="#246"/><g style="mix-blend-mode:screen"><circle cx="40" cy="48" r="24" fill="#a40"/><circle cx="60" cy="48" r="24" fill="#0a4"/></g>`,
  ],
  [
    'difference with opacity',
    `<rect width="96" height="60" fill="#fc0"/><rect x="30" y="20" width="40" height="60" fill="#fff" opacity=".7" style="mix-blend-mode:difference"/>`,
  ],
  // Languages.
  [
    'switch by language',
    `<switch><rect systemLanguage="xx" width="90" height="90" fill="red"/><rect systemLanguage="en" x="10" y="10" width="60" height="60" fill="#0a5"/><rect width="90" height="90"/></switch>`,
  ],
  [
    'switch, the rest',
    `<switch><rect systemLanguage="xx" width="90" height="90" fill="red"/><circle cx="48" cy="48" r="30" fill="#0a5"/></switch>`,
  ],
  [
    'a language by itself',
    `<rect systemLanguage="xx" width="90" height="90" fill="red"/><circle cx="48" cy="48" r="30" fill="#0a5"/>`,
  ],
  // Gradients.
  ['linear', `<rect x="10" y="10" width="76" height="76" fill="url(#l)"/>`],
  [
    'linear, turned',
    `<linearGradient id="g" href="#l" gradientTransform="rotate(30)"/><rect x="10" y="10" width="76" height="40" fill="url(#g)"/>`,
  ],
  [
    'linear in the picture',
    `<linearGradient id="g" href="#l" gradientUnits="userSpaceOnUse" x1="20" y1="20" x2="70" y2="80"/><circle cx="48" cy="48" r="40" fill="url(#g)"/>`,
  ],
  [
    'linear in a wide box',
    `<linearGradient id="g" href="#l" x1="0" y1="0" x2="1" y2="1"/><rect x="4" y="30" width="88" height="30" fill="url(#g)"/>`,
  ],
  ['linear on a line', `<path ${wave} fill="none" stroke="url(#l)" stroke-width="12"/>`],
  [
    'linear on a line drawn out of round',
    `<g transform="scale(2 .7)"><path d="M6 30q20 90 36 60" fill="none" stroke="url(#l)" stroke-width="8"/></g>`,
  ],
  [
    'linear, reflected',
    `<linearGradient id="g" href="#l" x1=".4" x2=".6" spreadMethod="reflect"/><rect x="6" y="10" width="84" height="76" fill="url(#g)"/>`,
  ],
  [
    'linear, repeated',
    `<linearGradient id="g" href="#l" x1=".1" x2=".3" y2=".1" spreadMethod="repeat"/><rect x="6" y="10" width="84" height="76" fill="url(#g)"/>`,
  ],
  [
    'stops half there',
    `<linearGradient id="g"><stop stop-color="#c30" stop-opacity=".2"/><stop offset=".5" stop-color="#0a5"/><stop offset="1" stop-color="#06c" stop-opacity="0"/></linearGradient><rect x="10" y="10" width="76" height="76" fill="url(#g)"/>`,
  ],
  [
    'stops out of order',
    `<linearGradient id="g"><stop offset=".6" stop-color="#c30"/><stop offset=".2" stop-color="#0a5"/><stop offset="1" stop-color="#06c"/></linearGradient><rect x="10" y="10" width="76" height="76" fill="url(#g)"/>`,
  ],
  [
    'a hard stop',
    `<linearGradient id="g"><stop offset=".5" stop-color="#c30"/><stop offset=".5" stop-color="#06c"/></linearGradient><rect x="10" y="10" width="76" height="76" fill="url(#g)"/>`,
  ],
  [
    'one stop',
    `<linearGradient id="g"><stop stop-color="#c30"/></linearGradient><rect x="10" y="10" width="76" height="76" fill="url(#g)"/>`,
  ],
  [
    'no stop',
    `<linearGradient id="g"/><rect x="10" y="10" width="76" height="76" fill="url(#g)"/><circle r="9"/>`,
  ],
  [
    'a gradient without way',
    `<linearGradient id="g" href="#l" x1=".5" x2=".5"/><rect x="10" y="10" width="76" height="76" fill="url(#g)"/>`,
  ],
  [
    'stops by style and currentColor',
    `<g color="#0a5"><linearGradient id="g"><stop style="stop-color:currentColor"/><stop offset="100%" style="stop-color:#06c;stop-opacity:.5"/></linearGradient></g><rect x="10" y="10" width="76" height="76" fill="url(#g)"/>`,
  ],
  ['gradient that is not there', `<rect x="10" y="10" width="76" height="76" fill="url(#none) #0a5"/>`],
  [
    'gradient that is not there, no fallback',
    `<rect x="10" y="10" width="76" height="76" fill="url(#none)" stroke="#036"/>`,
  ],
  [
    'gradient with fill opacity',
    `<rect x="10" y="10" width="76" height="76" fill="url(#l)" fill-opacity=".4"/>`,
  ],
  ['radial', `<circle cx="48" cy="48" r="40" fill="url(#r)"/>`],
  ['radial in a wide box', `<rect x="4" y="30" width="88" height="36" fill="url(#r)"/>`],
  [
    'radial with a focus',
    `<radialGradient id="g" href="#r" fx=".3" fy=".3"/><circle cx="48" cy="48" r="40" fill="url(#g)"/>`,
  ],
  [
    'radial with a focus of some size',
    `<radialGradient id="g" href="#r" fx=".4" fy=".4" fr=".15"/><circle cx="48" cy="48" r="40" fill="url(#g)"/>`,
  ],
  [
    'radial, turned and squeezed',
    `<radialGradient id="g" href="#r" gradientUnits="userSpaceOnUse" cx="0" cy="0" r="30" gradientTransform="translate(48 48) rotate(30) scale(1.4 .6)"/><rect x="4" y="4" width="88" height="88" fill="url(#g)"/>`,
  ],
  [
    'radial, repeated',
    `<radialGradient id="g" href="#r" r=".15" spreadMethod="repeat"/><rect x="6" y="10" width="84" height="76" fill="url(#g)"/>`,
  ],
  [
    'radial, reflected',
    `<radialGradient id="g" href="#r" r=".12" spreadMethod="reflect"/><rect x="6" y="10" width="84" height="76" fill="url(#g)"/>`,
  ],
  ['radial on a line', `<path ${wave} fill="none" stroke="url(#r)" stroke-width="12"/>`],
  [
    'gradient of a turned shape',
    `<g transform="rotate(25 48 48)"><rect x="20" y="20" width="56" height="56" fill="url(#l)" stroke="url(#r)" stroke-width="8"/></g>`,
  ],
  // Clipping.
  ['clip', `<rect width="96" height="96" fill="#c30" clip-path="url(#c)"/>`],
  [
    'clip of a group',
    `<g clip-path="url(#c)"><rect width="48" height="96" fill="#c30"/><rect x="48" width="48" height="96" fill="#06c"/></g>`,
  ],
  [
    'clip in the box',
    `<clipPath id="g" clipPathUnits="objectBoundingBox"><circle cx=".5" cy=".5" r=".5"/></clipPath><rect x="10" y="30" width="70" height="40" fill="#c30" clip-path="url(#g)"/>`,
  ],
  [
    'clip of two',
    `<clipPath id="g"><rect x="10" y="10" width="40" height="40"/><circle cx="60" cy="60" r="24"/></clipPath><rect width="96" height="96" fill="#c30" clip-path="url(#g)"/>`,
  ],
  [
    'clip by even-odd',
    `<clipPath id="g"><path clip-rule="evenodd" d="M10 10h76v76h-76zM30 30h36v36h-36z"/></clipPath><rect width="96" height="96" fill="#c30" clip-path="url(#g)"/>`,
  ],
  [
    'clip that is clipped',
    `<clipPath id="g" clip-path="url(#c)"><rect x="10" y="10" width="40" height="76"/></clipPath><rect width="96" height="96" fill="#c30" clip-path="url(#g)"/>`,
  ],
  [
    'clip of a use',
    `<clipPath id="g"><use href="#k"/></clipPath><circle cx="60" cy="60" r="34" fill="#c30" clip-path="url(#g)"/>`,
  ],
  [
    'clip, moved with what it clips',
    `<g transform="translate(12 6) scale(.8)"><rect width="96" height="96" fill="#c30" clip-path="url(#c)" transform="rotate(10)"/></g>`,
  ],
  [
    'clip with a transform',
    `<clipPath id="g" transform="scale(.5)"><rect x="20" y="20" width="120" height="60"/></clipPath><rect width="96" height="96" fill="#c30" clip-path="url(#g)"/>`,
  ],
  [
    'clip that is not there',
    `<rect x="10" y="10" width="70" height="70" fill="#c30" clip-path="url(#none)"/>`,
  ],
  [
    'clip of nothing',
    `<clipPath id="g"/><rect x="10" y="10" width="70" height="70" fill="#c30" clip-path="url(#g)"/><circle r="9"/>`,
  ],
  [
    'clip and opacity',
    `<g clip-path="url(#c)" opacity=".5"><rect width="60" height="96" fill="#c30"/><rect x="40" width="48" height="96" fill="#06c"/></g>`,
  ],
  // Masks.
  ['mask', `<rect width="96" height="96" fill="#c30" mask="url(#m)"/>`],
  [
    'mask by alpha',
    `<mask id="g" style="mask-type:alpha"><circle cx="48" cy="48" r="30" fill="#000" fill-opacity=".6"/></mask><rect width="96" height="96" fill="#c30" mask="url(#g)"/>`,
  ],
  [
    'mask by a gradient',
    `<linearGradient id="w"><stop stop-color="#fff"/><stop offset="1" stop-color="#000"/></linearGradient><mask id="g"><rect width="96" height="96" fill="url(#w)"/></mask><rect width="96" height="96" fill="#036" mask="url(#g)"/>`,
  ],
  [
    'mask in the box',
    `<mask id="g" maskContentUnits="objectBoundingBox"><circle cx=".5" cy=".5" r=".4" fill="#fff"/></mask><rect x="10" y="30" width="70" height="40" fill="#c30" mask="url(#g)"/>`,
  ],
  [
    'mask with a region',
    `<mask id="g" x="0" y="0" width=".5" height="1"><rect width="96" height="96" fill="#fff"/></mask><rect x="10" y="10" width="70" height="70" fill="#c30" mask="url(#g)"/>`,
  ],
  [
    'mask of a group',
    `<g mask="url(#m)"><rect width="48" height="96" fill="#c30"/><rect x="48" width="48" height="96" fill="#06c"/></g>`,
  ],
  [
    'mask that is masked',
    `<mask id="g" mask="url(#m)"><rect width="96" height="60" fill="#fff"/></mask><rect width="96" height="96" fill="#c30" mask="url(#g)"/>`,
  ],
  ['mask and clip', `<g mask="url(#m)" clip-path="url(#c)"><rect width="96" height="96" fill="#c30"/></g>`],
  // Patterns.
  ['pattern', `<rect x="8" y="8" width="80" height="80" fill="url(#p)"/>`],
  ['pattern of a circle', `<circle cx="48" cy="48" r="40" fill="url(#p)"/>`],
  [
    'pattern in the box',
    `<pattern id="g" width=".25" height=".5"><rect width="10" height="10" fill="#c30"/></pattern><rect x="8" y="8" width="80" height="80" fill="url(#g)"/>`,
  ],
  [
    'pattern with a viewBox',
    `<pattern id="g" width="24" height="24" patternUnits="userSpaceOnUse" viewBox="0 0 4 4"><circle cx="2" cy="2" r="2" fill="#c30"/></pattern><rect x="8" y="8" width="80" height="80" fill="url(#g)"/>`,
  ],
  [
    'pattern, content in the box',
    `<pattern id="g" width=".5" height=".5" patternContentUnits="objectBoundingBox"><rect width=".25" height=".25" fill="#c30"/></pattern><rect x="8" y="8" width="80" height="80" fill="url(#g)"/>`,
  ],
  [
    'pattern, moved',
    `<pattern id="g" href="#p" patternTransform="translate(4 6)"/><rect x="8" y="8" width="80" height="80" fill="url(#g)"/>`,
  ],
  ['pattern half there', `<rect x="8" y="8" width="80" height="80" fill="url(#p)" fill-opacity=".5"/>`],
  ['pattern on a line', `<path ${wave} fill="none" stroke="url(#p)" stroke-width="18"/>`],
  [
    'pattern with a fallback',
    `<pattern id="g" width="0" height="0"/><rect x="8" y="8" width="80" height="80" fill="url(#g) #0a5"/><circle r="9"/>`,
  ],
  // Shapes and paths.
  [
    'rounded corners',
    `<rect x="8" y="8" width="80" height="40" rx="30" fill="#c30"/><rect x="8" y="54" width="80" height="30" ry="50%" fill="#06c"/>`,
  ],
  ['polygon by even-odd', `<polygon points="48,6 74,86 8,36 88,36 22,86" fill="#c30" fill-rule="evenodd"/>`],
  ['polyline of odd numbers', `<polyline points="10,10 80,20 40,80 9" ${line}/>`],
  ['arcs', `<path d="M20 48a28 18 20 1 1 50 10a28 18 -40 0 0 -50 -10z" fill="#c30"/>`],
  ['path by style', `<path style="d:path('M20 20h50v50z')" fill="#c30"/>`],
  [
    'units',
    `<rect x="2mm" y="10pt" width="1.5cm" height=".5in" fill="#c30"/><circle cx="70" cy="70" r="1em" fill="#06c"/>`,
  ],
  ['geometry by style', `<style>circle{cx:48px;cy:40px;r:22px}</style><circle fill="#c30"/>`],
];

export const svgCase = ([, inside, head = '']: (typeof SVG_CASES)[number]): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" viewBox="0 0 96 96" ${head}>${DEFS}${inside}</svg>`;
