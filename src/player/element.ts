import { framesPerSecond } from '@/core/timing';
import { clockOf, type Clock } from './clock';
import { filledFrom, type GlyphBooks } from './filled';
import { restingFrame, screenOn, type Film, type Screen } from './film';

/** Whether the player is bundled for a piece with fields: without them it is smaller. */
declare const HAS_FIELDS: boolean;

/** What a page is given: a film, and the glyphs that fields of text are set in. */
export interface Reel extends Film {
  readonly books: GlyphBooks;
}

const STYLE = `
:host { display: block; position: relative; max-width: 100%; }
:host([hidden]) { display: none; }
canvas { display: block; width: 100%; height: 100%; object-fit: contain; }
div { position: absolute; inset: auto 0 0; display: flex; gap: 8px; padding: 8px; opacity: 0; transition: opacity 0.15s; }
:host(:hover) div, :host(:focus-within) div { opacity: 1; }
div[hidden] { display: none; }
button { min-width: 56px; font: 13px sans-serif; }
input { flex: 1; }
@media (prefers-reduced-motion: reduce) { div { transition: none; } }
`;

/**
 * `<obelus-piece>`: a piece on a page, painted by the same code that designed it. Attributes: `src` (the address of its JSON; else
 * a script of type application/json within it), `autoplay`, `loop`, `controls`, and `field-…` for each field. Properties, methods
 * and events are those of media elements (HTML Standard, 4.8.11).
 */
export class ObelusPiece extends HTMLElement {
  static observedAttributes = ['src', 'controls'];
  private reel: Reel | null = null;
  private shown: { readonly film: Film; readonly screen: Screen; readonly clock: Clock } | null = null;
  private readonly canvas = document.createElement('canvas');
  private readonly bar = document.createElement('div');
  private readonly button = document.createElement('button');
  private readonly slider = document.createElement('input');
  private readonly sizes = new ResizeObserver(() => this.fit());
  private readonly attributesChanged = new MutationObserver((changes) => {
    if (changes.some(({ attributeName }) => attributeName?.startsWith('field-'))) this.begin();
  });
  private told = { paused: true, ended: false };

  constructor() {
    super();
    const root = this.attachShadow({ mode: 'open' });
    const style = document.createElement('style');
    style.textContent = STYLE;
    this.canvas.setAttribute('role', 'img');
    this.slider.type = 'range';
    this.slider.step = 'any';
    this.slider.setAttribute('aria-label', 'Time');
    this.slider.oninput = () => (this.currentTime = Number(this.slider.value));
    this.button.onclick = () => (this.paused ? this.play() : this.pause());
    this.bar.append(this.button, this.slider);
    root.append(style, this.canvas, this.bar);
  }

  connectedCallback(): void {
    this.sizes.observe(this);
    this.attributesChanged.observe(this, { attributes: true });
    this.bar.hidden = !this.hasAttribute('controls');
    const within = this.querySelector('script[type="application/json"]');
    if (this.reel) this.begin();
    else if (within) this.take(within.textContent ?? '');
    else if (this.src) void this.load(this.src);
  }

  disconnectedCallback(): void {
    this.sizes.disconnect();
    this.attributesChanged.disconnect();
    this.shown?.clock.end();
    this.shown = null;
  }

  attributeChangedCallback(name: string): void {
    this.bar.hidden = !this.hasAttribute('controls');
    if (name === 'src' && this.isConnected && this.src) void this.load(this.src);
  }

  get src(): string {
    return this.getAttribute('src') ?? '';
  }
  set src(address: string) {
    this.setAttribute('src', address);
  }
  get loop(): boolean {
    return this.hasAttribute('loop');
  }
  set loop(on: boolean) {
    this.toggleAttribute('loop', on);
  }
  get paused(): boolean {
    return this.shown?.clock.paused ?? true;
  }
  get ended(): boolean {
    return this.shown?.clock.ended ?? false;
  }
  /** Its length, s; NaN until it is there. */
  get duration(): number {
    const film = this.shown?.film;
    return film ? (film.last - film.first + 1) / framesPerSecond(film.piece.rate) : NaN;
  }
  get currentTime(): number {
    return this.shown?.clock.time ?? 0;
  }
  set currentTime(seconds: number) {
    this.shown?.clock.seek(seconds);
  }
  /** The frame of the piece that is shown. */
  get frame(): number {
    if (!this.shown) return 0;
    const { first, last, piece } = this.shown.film;
    // Half a thousandth of a frame more, so that a time that was made of a frame is that frame again.
    return Math.min(last, first + Math.floor(this.currentTime * framesPerSecond(piece.rate) + 0.0005));
  }
  set frame(frame: number) {
    const film = this.shown?.film;
    if (film) this.currentTime = (frame - film.first) / framesPerSecond(film.piece.rate);
  }

  play(): void {
    this.shown?.clock.play();
  }
  pause(): void {
    this.shown?.clock.pause();
  }

  private async load(address: string): Promise<void> {
    try {
      const answer = await fetch(address);
      if (!answer.ok) throw new Error(`${address} was answered with ${answer.status}.`);
      const text = await answer.text();
      if (address === this.src) this.take(text);
    } catch (error) {
      this.fail(error as Error);
    }
  }

  private take(json: string): void {
    try {
      const reel = JSON.parse(json) as Reel;
      if (!Array.isArray(reel.piece?.layers)) throw new Error('This is no piece of Obelus.');
      this.reel = reel;
      this.begin();
    } catch (error) {
      this.fail(error as Error);
    }
  }

  private fail(error: Error): void {
    this.canvas.setAttribute('aria-label', error.message);
    this.dispatchEvent(new ErrorEvent('error', { message: error.message, error }));
  }

  /** Begins with the piece as its attributes have it now; a film that was on stays where it is. */
  private begin(): void {
    if (!this.reel || !this.isConnected) return;
    const { books, ...film } = this.reel;
    const filled: Film = HAS_FIELDS
      ? { ...film, piece: filledFrom(film.piece, books, (name) => this.getAttribute(name)) }
      : film;
    const before = this.shown;
    before?.clock.end();
    const { width, height } = filled.piece.size;
    this.style.aspectRatio ||= `${width} / ${height}`;
    this.canvas.setAttribute('aria-label', filled.piece.name);
    const screen = screenOn(this.canvas, filled);
    const seconds = (filled.last - filled.first + 1) / framesPerSecond(filled.piece.rate);
    const clock = clockOf(
      seconds,
      () => this.loop,
      () => this.tell(),
    );
    this.shown = { film: filled, screen, clock };
    this.slider.max = String(seconds);
    this.fit();
    if (before) {
      clock.seek(before.clock.time);
      if (!before.clock.paused) clock.play();
      return;
    }
    this.dispatchEvent(new Event('loadedmetadata'));
    const still = matchMedia('(prefers-reduced-motion: reduce)').matches;
    if (still) this.frame = restingFrame(filled);
    else if (this.hasAttribute('autoplay')) clock.play();
  }

  /** Shows the frame that is due, and says what changed. */
  private tell(): void {
    const { shown } = this;
    if (!shown) return;
    shown.screen.show(this.frame);
    const { paused, ended } = shown.clock;
    this.slider.value = String(this.currentTime);
    this.button.textContent = paused ? 'Play' : 'Pause';
    this.dispatchEvent(new Event('timeupdate'));
    if (paused !== this.told.paused) this.dispatchEvent(new Event(paused ? 'pause' : 'play'));
    if (ended && !this.told.ended) this.dispatchEvent(new Event('ended'));
    this.told = { paused, ended };
  }

  /** As sharp as the screen is, and as large as CSS has it. */
  private fit(): void {
    const { shown } = this;
    if (!shown) return;
    const ratio = window.devicePixelRatio || 1;
    const { clientWidth, clientHeight } = this;
    if (clientWidth === 0 || clientHeight === 0) return;
    shown.screen.fit(clientWidth * ratio, clientHeight * ratio);
    this.tell();
  }
}
