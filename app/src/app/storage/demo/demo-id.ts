/** Everything that the shipped demo brings has an id of its own kind; what people add never has. */
export const isDemoId = (id: string): boolean => id.startsWith('demo-');
