// A glass plate under exposure. It listens for a signal from 0 to 100; without one it shows the plate fully exposed.
const canvas = document.getElementById('plate-canvas');
const words = document.getElementById('exposure-words');
const draw = canvas.getContext('2d');

// The same sky every night: a small generator with a fixed seed.
let seed = 1040;
const random = () => {
  seed = (seed * 1664525 + 1013904223) % 4294967296;
  return seed / 4294967296;
};
const stars = Array.from({ length: 620 }, () => {
  const bright = random() ** 5;
  return { x: random(), y: random(), size: 0.6 + bright * 4.2, from: (1 - bright) * 92 * random() + 2, warm: random() };
});
// A faint band across the plate, where most of the dim ones lie.
for (let i = 0; i < 900; i++) {
  const along = random();
  const off = (random() + random() + random() - 1.5) * 0.16;
  stars.push({ x: along, y: 0.78 - along * 0.5 + off, size: 0.35 + random() * 0.7, from: 30 + random() * 66, warm: random() });
}

function expose(value) {
  const { width, height } = canvas;
  draw.globalAlpha = 1;
  draw.fillStyle = '#0d1722';
  draw.fillRect(0, 0, width, height);
  for (const star of stars) {
    const light = Math.min(1, (value - star.from) / 14);
    if (light <= 0) continue;
    const radius = star.size * (0.7 + light * 0.5 + Math.max(0, value - star.from) / 160);
    draw.globalAlpha = light * (star.size > 1.2 ? 1 : 0.55);
    draw.fillStyle = star.warm > 0.8 ? '#f3cf9d' : star.warm < 0.25 ? '#bcd3ef' : '#f4ecd8';
    draw.beginPath();
    draw.arc(star.x * width, star.y * height, radius, 0, Math.PI * 2);
    draw.fill();
    if (star.size < 3) continue;
    draw.globalAlpha = light * 0.3;
    draw.fillRect(star.x * width - radius * 5, star.y * height - 0.5, radius * 10, 1);
    draw.fillRect(star.x * width - 0.5, star.y * height - radius * 5, 1, radius * 10);
  }
  const minutes = Math.round(value * 2.4);
  words.textContent = value >= 100 ? 'four hours' : `${Math.floor(minutes / 60)} h ${String(minutes % 60).padStart(2, '0')} min`;
}

expose(100);
canvas.addEventListener('signal', (event) => expose(event.detail.value));
