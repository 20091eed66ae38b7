/** Up to this width the step fills the screen, as in the style sheet, px. */
export const isPhone = (): boolean => window.innerWidth <= 640;
