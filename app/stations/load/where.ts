/** Whether the ESC of the page is worked, or one that lies beside it. */
export type Where = 'simulated' | 'own';
