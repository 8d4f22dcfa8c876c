/** The firm of this installation, whose roles sign in by one tap. */
export const DEMO_FIRM_ID = '0198a000-f1f0-7000-8000-000000000001';
