import { ObelusPiece } from './element';

const known = customElements.get('obelus-piece') as typeof ObelusPiece | undefined;
if (!known) customElements.define('obelus-piece', ObelusPiece);
// One page plays all pieces by the script that came first.
else if (known.version !== ObelusPiece.version)
  console.warn(`obelus-piece ${ObelusPiece.version} is not used: ${known.version} was there before.`);
