export default async () => {}
