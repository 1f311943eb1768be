/** By which something is taken hold of to drag it. The same objects for good: others have every line drawn anew. */
export const byMouse = { activationConstraint: { distance: 6 } };
export const byTouch = { activationConstraint: { delay: 250, tolerance: 8 } };
