import { fireEvent, render, screen } from '@testing-library/react';
import { expect, it, vi } from 'vitest';
import { Stopwatch } from './Stopwatch';

it('writes the seconds between two presses, to the tenth', () => {
  const stopped = vi.fn();
  const now = vi.spyOn(performance, 'now');
  render(<Stopwatch row={1} stopped={stopped} />);
  now.mockReturnValue(10_000);
  fireEvent.click(screen.getByRole('button', { name: 'Stopwatch for reading 2' }));
  expect(stopped).not.toHaveBeenCalled();
  now.mockReturnValue(41_260);
  fireEvent.click(screen.getByRole('button', { name: 'Stop: seconds of reading 2' }));
  expect(stopped).toHaveBeenCalledWith('31.3');
  now.mockRestore();
});
