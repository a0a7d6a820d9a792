import { ObelusPiece } from './element';

if (!customElements.get('obelus-piece')) customElements.define('obelus-piece', ObelusPiece);
