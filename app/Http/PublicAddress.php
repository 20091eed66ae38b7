<?php

declare(strict_types=1);

namespace Footnote\App\Http;

use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\HttpFoundation\Request;

/** By which address others reach the application: the one that is set, else the one that was called. */
final readonly class PublicAddress
{
    public function __construct(
        #[Autowire('%env(default::FOOTNOTE_ADDRESS)%')]
        private ?string $set,
    ) {
    }

    /** @return string without a slash at its end */
    public function of(Request $request): string
    {
        $set = rtrim($this->set ?? '', '/');

        return $set === '' ? $request->getSchemeAndHttpHost() : $set;
    }
}
