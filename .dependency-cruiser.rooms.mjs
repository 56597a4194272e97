import whole from './.dependency-cruiser.mjs';

/** Folders of core go round in no circle. Faces and tests see many rooms and are left out here. */
export default {
  forbidden: [
    { severity: 'error', name: 'no-circle-of-rooms', scope: 'folder', from: {}, to: { circular: true } },
  ],
  options: { ...whole.options, exclude: { path: '(/dist/|/(index|details)\\.ts$|\\.spec\\.ts$|/testing/)' } },
};
