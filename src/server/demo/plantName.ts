/** The made-up plant of the demo. */
export const plantName = 'Skerry Point Kelp Works'
