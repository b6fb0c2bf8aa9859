/** The address of a test database as the role that the application works under. */
export function asApplication(ownerUrl: string): string {
  const url = new URL(ownerUrl);
  url.username = 'kritikos_application';
  url.password = 'of-the-tests';
  return url.href;
}
