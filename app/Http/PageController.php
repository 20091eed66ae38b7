<?php

declare(strict_types=1);

namespace Footnote\App\Http;

use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** Serves the web client's page for every address that is not the API's, with a fresh nonce for its styles. */
final readonly class PageController
{
    public const NONCE = 'footnote-nonce-placeholder';

    public function __construct(private string $projectDir)
    {
    }

    #[Route('/{path}', requirements: ['path' => '(?!api/|build/).*'], methods: ['GET'], priority: -100)]
    public function page(): Response
    {
        $file = $this->projectDir.'/public/build/index.html';
        $page = is_file($file)
            ? (string) file_get_contents($file)
            : '<!doctype html><title>Footnote</title><p>The web client has not been built yet. Run bin/demo.</p>';
        $nonce = base64_encode(random_bytes(16));

        return new Response(str_replace(self::NONCE, $nonce, $page), 200, [
            'Content-Type' => 'text/html; charset=utf-8',
            'Cache-Control' => 'no-store',
            'Content-Security-Policy' => "default-src 'none'; script-src 'self'; style-src 'self' 'nonce-$nonce'; "
                ."img-src 'self' data:; font-src 'self'; connect-src 'self'; manifest-src 'self'; base-uri 'none'; "
                ."form-action 'self'; frame-ancestors 'none'",
        ]);
    }
}
