import type { Browser, LaunchOptions } from '@playwright/test';

export const CHROMIUM: Required<Pick<LaunchOptions, 'executablePath' | 'args'>>;
export function served(port: number, env?: Record<string, string>): Promise<string>;
export function launched(): Promise<Browser>;
