// What a piece holds, asked without a frame: members of groups, parts that can be keyed, outlines of letters. How parts are changed.
export * from './behind';
export * from './changed';
export * from './glyph-colours';
export * from './greatest';
export * from './grouped';
export * from './keyed-parts';
export * from './letter-outlines';
export * from './mixed-text';
export * from './move-points';
export * from './text-parts';
export * from './traced';
export * from './update';
