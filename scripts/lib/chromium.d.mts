import type { LaunchOptions } from 'puppeteer-core';

export function ensureChromium(): void;
export function launchOptions(downloads?: string): LaunchOptions;
