import {
  BarController,
  BarElement,
  CategoryScale,
  Chart,
  LineController,
  LineElement,
  LinearScale,
  PointElement,
  Tooltip,
} from 'chart.js';

Chart.register(
  BarController,
  BarElement,
  CategoryScale,
  LineController,
  LineElement,
  LinearScale,
  PointElement,
  Tooltip,
);
Chart.defaults.font.family = getComputedStyle(document.documentElement).getPropertyValue('--pk-text');
Chart.defaults.font.size = 14;

/** What Pomek draws of charts, in its own letters. */
export { Chart };
