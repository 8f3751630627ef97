import '@testing-library/jest-dom/vitest';
import { cleanup, configure } from '@testing-library/react';
import { afterEach } from 'vitest';

// A busy machine takes longer than the usual second for what is loaded.
configure({ asyncUtilTimeout: 4000 });

afterEach(cleanup);
