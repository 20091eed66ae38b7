<?php

declare(strict_types=1);

namespace Footnote\App\Access;

use Footnote\App\Refusal\Problem;
use Symfony\Component\Validator\Constraints\PasswordStrength;
use Symfony\Component\Validator\Constraints\PasswordStrengthValidator;

/** What a password must be: long, and not soon guessed. */
final class Password
{
    private const SHORTEST = 12;

    /** The hasher takes no more bytes, and nobody types them. */
    public const LONGEST = 200;

    /** @throws Problem where it is too weak */
    public static function check(#[\SensitiveParameter] string $password, string $name): void
    {
        $holdsName = $name !== '' && str_contains(mb_strtolower($password), mb_strtolower($name));
        $isGuessed = PasswordStrengthValidator::estimateStrength($password) < PasswordStrength::STRENGTH_WEAK;
        $problem = match (true) {
            mb_strlen($password) < self::SHORTEST => \sprintf('must have at least %d characters.', self::SHORTEST),
            \strlen($password) > self::LONGEST => \sprintf('must have at most %d characters.', self::LONGEST),
            $holdsName && mb_strlen($password) < 2 * self::SHORTEST => 'holds the name: choose another.',
            $isGuessed => 'is soon guessed: make it longer, or mix more kinds of characters.',
            default => null,
        };
        if ($problem !== null) {
            throw Problem::field('/password', $problem);
        }
    }
}
