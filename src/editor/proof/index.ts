export { ProofPanel } from './proof-panel';
export { useProof, watchProof } from './proof-state';
