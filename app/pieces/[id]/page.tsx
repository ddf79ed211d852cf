import { Studio } from "@/studio/studio";

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  return <Studio pieceId={(await params).id} />;
}
