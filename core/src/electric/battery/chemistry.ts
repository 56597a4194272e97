export type Chemistry = 'lithium' | 'lead-acid';
