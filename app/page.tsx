import { Shelf } from "@/studio/shelf/shelf";

export default function Page() {
  return <Shelf />;
}
