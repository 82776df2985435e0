import { createContext } from 'react';

/** The nonce of this response, so that the framework's inline scripts pass the content security policy. Empty in the browser. */
export const NonceContext = createContext<string | undefined>(undefined);
