module.exports = (api) => {
  // Tests run without the bundler, which else makes parts of what is imported late.
  const tested = api.env('test');
  return {
    presets: [['babel-preset-expo', { jsxImportSource: 'nativewind' }], 'nativewind/babel'],
    plugins: tested ? ['@babel/plugin-transform-dynamic-import'] : ['./straightImports'],
  };
};
