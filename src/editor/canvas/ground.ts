/** Side of a checker's square, px. */
const CHECKER = 12;

/** The ground the piece is looked at over: a colour, or a checker where it is transparent. */
export function paintGround(
  context: CanvasRenderingContext2D | OffscreenCanvasRenderingContext2D,
  x: number,
  y: number,
  w: number,
  h: number,
  over: string | null,
) {
  context.save();
  context.beginPath();
  context.rect(x, y, w, h);
  context.clip();
  context.fillStyle = over ?? '#3a352d';
  context.fillRect(x, y, w, h);
  if (!over) {
    context.fillStyle = '#322d26';
    const left = Math.max(0, x);
    const top = Math.max(0, y);
    for (let j = 0; top + j * CHECKER < Math.min(y + h, context.canvas.height); j++) {
      for (let i = j % 2; left + i * CHECKER < Math.min(x + w, context.canvas.width); i += 2) {
        context.fillRect(left + i * CHECKER, top + j * CHECKER, CHECKER, CHECKER);
      }
    }
  }
  context.restore();
}
