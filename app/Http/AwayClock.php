<?php

declare(strict_types=1);

namespace Footnote\App\Http;

use Footnote\App\Bench\BroughtBy;
use Footnote\App\Refusal\Problem;
use Footnote\Core\Evidence\DeviceClock;
use Footnote\Core\Record\Fields;
use Psr\Clock\ClockInterface;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpKernel\Event\ControllerEvent;

/**
 * What is brought after the network was away tells how the clock of its device stands. Where it was off, a person says why the moments
 * that it gave stand, before anything is taken.
 */
final readonly class AwayClock
{
    private const HEADER = 'X-Device-Clock';
    private const READ = '_footnote_brought';

    public function __construct(private ClockInterface $clock)
    {
    }

    #[AsEventListener]
    public function before(ControllerEvent $event): void
    {
        $request = $event->getRequest();
        if ($event->isMainRequest() && $request->headers->has(self::HEADER)) {
            $request->attributes->set(self::READ, $this->read($request));
        }
    }

    /** @throws Problem where the request does not tell of it */
    public static function of(Request $request): BroughtBy
    {
        $brought = $request->attributes->get(self::READ);

        return $brought instanceof BroughtBy ? $brought : throw Problem::field('/clock', 'is missing: by which clock was it made?');
    }

    private function read(Request $request): BroughtBy
    {
        $told = json_decode(rawurldecode($request->headers->get(self::HEADER, '')), true, 4);
        $fields = Fields::of(\is_array($told) ? $told : [], '/clock');
        $heard = $fields->optionalObject('heard');
        $device = new DeviceClock($fields->moment('sent'), $heard?->moment('device'), $heard?->moment('server'));
        $now = $this->clock->now();
        $against = $device->against($now);
        $why = trim($fields->optionalText('why', 2000) ?? '');
        if ($against !== null && $why === '') {
            throw new Problem(
                409,
                \sprintf('The clock of this device %s. Nothing was taken: look at the moments in it, and say why they stand.', $against),
                [['field' => '/clock', 'problem' => \sprintf('of this device %s.', $against)]],
            );
        }

        return new BroughtBy($device->ahead($now), $against === null ? '' : $why);
    }
}
