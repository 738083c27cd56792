declare module '@fontsource/*'
