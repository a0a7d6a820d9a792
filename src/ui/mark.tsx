/** The product's mark: an obelus whose bar is a written stroke. */
export function Mark({ size = 26 }: { size?: number }) {
  return (
    <svg width={size} height={size} viewBox="0 0 26 26" aria-hidden fill="none">
      <circle cx="13" cy="5.5" r="2.6" fill="var(--head)" />
      <circle cx="13" cy="20.5" r="2.6" fill="var(--head)" />
      <path
        d="M3 13.6c4-2 6.5-1.6 10-.6s6.2 1.200 10-.6"
        stroke="var(--text)"
        strokeWidth="2.6"
        strokeLinecap="round"
      />
    </svg>
  );
}
