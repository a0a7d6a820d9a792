export { ProofPanel } from './proof-panel';
export { showProof, useProof, watchProof } from './proof-state';
