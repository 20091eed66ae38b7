<?php

declare(strict_types=1);

namespace Footnote\App\Report;

use Footnote\App\Refusal\Problem;
use Symfony\Component\Process\Process;

/** An address as a square code that a camera reads, as an SVG element. */
final readonly class SquareCode
{
    public function of(string $address): string
    {
        $process = new Process(['qrencode', '--type=SVG', '--svg-path', '--margin=1', '--level=M', '--output=-', $address]);
        $process->run();
        $drawn = $process->isSuccessful() ? $process->getOutput() : '';
        if (preg_match('/viewBox="([\d ]+)".* transform="([^"]+)" d="([^"]+)"/s', $drawn, $found) !== 1) {
            throw new Problem(503, 'The square code could not be drawn: qrencode is not installed on the server. Nothing was changed.');
        }

        return \sprintf(
            '<svg xmlns="http://www.w3.org/2000/svg" viewBox="%s" role="img" aria-label="code with the address">'
                .'<path transform="%s" d="%s" stroke="#000"/></svg>',
            $found[1],
            $found[2],
            $found[3],
        );
    }
}
