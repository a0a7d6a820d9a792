export * from './clipboard';
