/** What a request takes to send a file as it is: the client would make JSON of it otherwise. */
export const asFile = (file: File) => ({
  body: file as unknown as string,
  bodySerializer: (body: string) => body as unknown as BodyInit,
  headers: { 'Content-Type': 'application/octet-stream' },
})
