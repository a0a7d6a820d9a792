export default function Home() {
  return <p>Obelus</p>;
}
