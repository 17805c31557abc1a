import type { LaunchOptions } from 'playwright-core';

export declare const browserOptions: LaunchOptions;
