import { framesPerSecond } from '@/core/timing';
import { clockOf, type Clock } from './clock';
import { filledFrom, type GlyphBooks } from './filled';
import { restingFrame, screenOn, type Film, type Screen } from './film';
import { dress } from './style';

/** Names this script: a hash of it, filled in where it is made. */
declare const VERSION: string;

/** What a page is given: a film, and the glyphs that fields of text are set in. */
export interface Reel extends Film {
  readonly books: GlyphBooks;
}

/** What media elements say of a film that is there, or not (HTML Standard, 4.8.11.7): HAVE_NOTHING, HAVE_ENOUGH_DATA. */
const [NOTHING, ENOUGH] = [0, 4] as const;

/** Refuses what is no number, as setters of media elements do. */
function finite(value: number): number {
  if (!Number.isFinite(Number(value))) throw new TypeError('The value must be a finite number.');
  return Number(value);
}

interface Pending {
  readonly done: () => void;
  readonly failed: (why: DOMException) => void;
}

/**
 * `<obelus-piece>`: a piece on a page, painted by the same code that designed it. Attributes: `src` (the address of its JSON; else
 * a script of type application/json within it), `autoplay`, `loop`, `controls`, and `field-…` for each field. Properties, methods
 * and events are those of media elements (HTML Standard, 4.8.11).
 */
export class ObelusPiece extends HTMLElement {
  static readonly version = VERSION;
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
  private readonly sight = new IntersectionObserver((seen) => {
    this.isInSight = seen.at(-1)!.isIntersecting;
    this.hold();
  });
  private readonly message = document.createElement('p');
  private readonly calm = matchMedia('(prefers-reduced-motion: reduce)');
  private readonly hold = (): void =>
    this.shown?.clock.hold(!this.isInSight || document.hidden || !this.isConnected);
  private readonly rest = (): void => {
    if (this.calm.matches && this.shown) {
      this.pause();
      this.frame = restingFrame(this.shown.film);
    }
  };
  private readonly refit = (): void => {
    this.watchDensity();
    this.fit();
  };
  private density: MediaQueryList | null = null;
  private isInSight = true;
  /** The address that what is shown was asked of. */
  private address = '';
  private rate = 1;
  /** What was asked for before there was a film: where it begins, and whether it plays. */
  private asked = { time: 0, plays: false };
  private pending: Pending[] = [];
  private told = { paused: true, ended: false };
  /** Why nothing is shown; null while all is well. */
  error: Error | null = null;

  constructor() {
    super();
    const root = this.attachShadow({ mode: 'open' });
    dress(root);
    this.canvas.setAttribute('role', 'img');
    this.slider.type = 'range';
    this.slider.step = 'any';
    this.slider.setAttribute('aria-label', 'Time');
    this.slider.oninput = () => (this.currentTime = Number(this.slider.value));
    this.button.onclick = () => void (this.paused ? this.play() : this.pause());
    this.bar.append(this.button, this.slider);
    this.message.hidden = true;
    this.message.setAttribute('role', 'alert');
    this.message.part.add('error');
    root.append(this.canvas, this.bar, this.message);
  }

  connectedCallback(): void {
    this.sizes.observe(this);
    this.sight.observe(this);
    this.attributesChanged.observe(this, { attributes: true });
    document.addEventListener('visibilitychange', this.hold);
    this.calm.addEventListener('change', this.rest);
    this.watchDensity();
    this.bar.hidden = !this.hasAttribute('controls');
    const within = this.querySelector('script[type="application/json"]');
    if (this.src) this.fetchOnce();
    else if (!this.reel && within) this.take(within.textContent ?? '');
    // Fields may have changed meanwhile.
    if (this.reel) this.begin();
  }

  disconnectedCallback(): void {
    for (const observer of [this.sizes, this.sight, this.attributesChanged]) observer.disconnect();
    document.removeEventListener('visibilitychange', this.hold);
    this.calm.removeEventListener('change', this.rest);
    this.density?.removeEventListener('change', this.refit);
    this.hold();
    // What is only moved goes on; what stays away is paused.
    queueMicrotask(() => {
      if (!this.isConnected) this.pause();
    });
  }

  attributeChangedCallback(name: string): void {
    this.bar.hidden = !this.hasAttribute('controls');
    if (name === 'src' && this.isConnected && this.src) this.fetchOnce();
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
    return this.shown?.clock.paused ?? !this.asked.plays;
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
    return this.shown?.clock.time ?? this.asked.time;
  }
  set currentTime(seconds: number) {
    const time = finite(seconds);
    if (!this.shown) this.asked.time = Math.max(0, time);
    else {
      this.dispatchEvent(new Event('seeking'));
      this.shown.clock.seek(time);
      this.dispatchEvent(new Event('seeked'));
    }
  }
  /** Never: a frame is there as soon as it is asked for. */
  get seeking(): boolean {
    return false;
  }
  get readyState(): number {
    return this.shown ? ENOUGH : NOTHING;
  }
  /** Seconds of the film to one of the page. */
  get playbackRate(): number {
    return this.rate;
  }
  set playbackRate(rate: number) {
    if (finite(rate) < 0) throw new DOMException('It does not play backward.', 'NotSupportedError');
    this.rate = Number(rate);
    this.dispatchEvent(new Event('ratechange'));
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

  /** Plays it, at once or as soon as it is there; settled once it plays, or never will. */
  play(): Promise<void> {
    if (this.shown) {
      this.shown.clock.play();
      return Promise.resolve();
    }
    if (this.error) return Promise.reject(new DOMException(this.error.message, 'NotSupportedError'));
    this.asked.plays = true;
    return new Promise((done, failed) => this.pending.push({ done, failed }));
  }
  pause(): void {
    this.shown?.clock.pause();
    this.asked.plays = false;
    this.settle(new DOMException('It was paused before it could play.', 'AbortError'));
  }

  private settle(why: DOMException | null): void {
    for (const { done, failed } of this.pending.splice(0)) {
      if (why) failed(why);
      else done();
    }
  }

  /** An element that comes to a page hears of its address twice, and asks for it once. */
  private fetchOnce(): void {
    if (this.src === this.address) return;
    this.address = this.src;
    this.leave();
    void this.load(this.src);
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
      if (!Array.isArray(reel.piece?.layers)) throw new Error('it is no piece of Obelus.');
      this.reel = reel;
      this.begin();
    } catch (error) {
      this.fail(new Error(`This piece can’t be shown: ${(error as Error).message}`));
    }
  }

  /** What another address leads to begins anew. */
  private leave(): void {
    this.shown?.clock.end();
    this.shown = null;
    this.reel = null;
    this.error = null;
  }

  private fail(error: Error): void {
    this.error = error;
    this.shown?.clock.end();
    this.shown = null;
    this.message.textContent = error.message;
    this.message.hidden = false;
    this.settle(new DOMException(error.message, 'NotSupportedError'));
    this.dispatchEvent(new ErrorEvent('error', { message: error.message, error }));
  }

  /** Begins with the piece as its attributes have it now; a film that was on stays where it is. */
  private begin(): void {
    if (!this.reel || !this.isConnected) return;
    const { books, ...film } = this.reel;
    const filled: Film = {
      ...film,
      piece: filledFrom(film.piece, books, (name) => this.getAttribute(name)),
    };
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
      () => this.rate,
      () => this.tell(),
    );
    this.shown = { film: filled, screen, clock };
    this.error = null;
    this.message.hidden = true;
    this.slider.max = String(seconds);
    this.fit();
    if (before) {
      clock.seek(before.clock.time);
      this.hold();
      if (!before.clock.paused) clock.play();
      return;
    }
    const { time, plays } = this.asked;
    this.asked = { time: 0, plays: false };
    if (time > 0) clock.seek(time);
    for (const name of ['loadedmetadata', 'canplaythrough']) this.dispatchEvent(new Event(name));
    this.hold();
    if (plays) clock.play();
    else if (this.calm.matches) this.rest();
    else if (this.hasAttribute('autoplay')) clock.play();
    this.settle(null);
  }

  /** Shows the frame that is due, and says what changed. */
  private tell(): void {
    const { shown } = this;
    if (!shown) return;
    try {
      shown.screen.show(this.frame);
    } catch (error) {
      this.fail(error as Error);
      return;
    }
    const { paused, ended } = shown.clock;
    this.slider.value = String(this.currentTime);
    this.button.textContent = paused ? 'Play' : 'Pause';
    this.dispatchEvent(new Event('timeupdate'));
    if (paused !== this.told.paused)
      for (const name of paused ? ['pause'] : ['play', 'playing']) this.dispatchEvent(new Event(name));
    if (ended && !this.told.ended) this.dispatchEvent(new Event('ended'));
    this.told = { paused, ended };
  }

  /** A window that is moved to another screen, or looked at closer, says so once. */
  private watchDensity(): void {
    this.density?.removeEventListener('change', this.refit);
    this.density = matchMedia(`(resolution: ${window.devicePixelRatio}dppx)`);
    this.density.addEventListener('change', this.refit);
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
