/** The one workspace there is until accounts arrive. */
export const defaultWorkspaceId = '5c1f4a52-9a35-4d0c-8f0e-2f6b8a7f0001';
