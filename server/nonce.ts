import { createContext } from 'react-router';

/** The nonce of one response, for scripts that the content security policy lets through. Null in development. */
export const nonceContext = createContext<string | null>(null);
