<?php

declare(strict_types=1);

namespace Footnote\App\Access;

use Doctrine\DBAL\Connection;
use Psr\Clock\ClockInterface;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpFoundation\RequestStack;
use Symfony\Component\Security\Core\Exception\TooManyLoginAttemptsAuthenticationException;
use Symfony\Component\Security\Http\Authenticator\Passport\Badge\UserBadge;
use Symfony\Component\Security\Http\Event\CheckPassportEvent;
use Symfony\Component\Security\Http\Event\LoginSuccessEvent;

/**
 * Slows down guessing: after five tries in ten minutes for one name from one address, or thirty from one address,
 * sign-in is refused. Each try is counted before the password is looked at, one after the other, so that tries at once
 * cannot slip past.
 */
final readonly class SignInThrottle
{
    private const SECONDS = 600;
    private const PER_NAME = 5;
    private const PER_ADDRESS = 30;

    public function __construct(private Connection $connection, private ClockInterface $clock, private RequestStack $requests)
    {
    }

    #[AsEventListener(priority: 2080)]
    public function beforePassword(CheckPassportEvent $event): void
    {
        $badge = $event->getPassport()->getBadge(UserBadge::class);
        if (!$badge instanceof UserBadge) {
            return;
        }
        $name = $badge->getUserIdentifier();
        if (!$this->connection->transactional(fn (): bool => $this->isCounted($name))) {
            throw new TooManyLoginAttemptsAuthenticationException(intdiv(self::SECONDS, 60));
        }
    }

    /** Whether one more try may be made; it is counted where it may. */
    private function isCounted(string $name): bool
    {
        // The one lock of the logbook: where several may write at once, each waits here for the other's count.
        $this->connection->executeStatement('UPDATE journal_head SET sequence = sequence WHERE id = 1');
        $now = $this->clock->now()->getTimestamp();
        $this->connection->executeStatement('DELETE FROM sign_in_attempt WHERE tried_at < ?', [$now - self::SECONDS]);
        $counted = true;
        foreach ([
            [$this->nameKey($name), self::PER_NAME],
            [$this->addressKey(), self::PER_ADDRESS],
        ] as [$key, $most]) {
            $added = $this->connection->executeStatement(
                'INSERT INTO sign_in_attempt (attempt_key, tried_at) SELECT CAST(? AS VARCHAR(64)), CAST(? AS INTEGER) '
                    .'WHERE (SELECT COUNT(*) FROM sign_in_attempt WHERE attempt_key = ?) < CAST(? AS INTEGER)',
                [$key, $now, $key, $most],
            );
            $counted = $counted && $added !== 0;
        }

        return $counted;
    }

    #[AsEventListener]
    public function afterSuccess(LoginSuccessEvent $event): void
    {
        $this->connection->executeStatement(
            'DELETE FROM sign_in_attempt WHERE attempt_key = ?',
            [$this->nameKey($event->getUser()->getUserIdentifier())],
        );
    }

    private function nameKey(string $name): string
    {
        return hash('sha256', 'name:'.mb_strtolower($name).':'.$this->addressKey());
    }

    private function addressKey(): string
    {
        return hash('sha256', 'address:'.($this->requests->getMainRequest()?->getClientIp() ?? 'none'));
    }
}
