jest.setTimeout(120_000);
