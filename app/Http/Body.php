<?php

declare(strict_types=1);

namespace Footnote\App\Http;

use Footnote\App\Refusal\Problem;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\PlainText;
use Symfony\Component\HttpFoundation\Request;

/** The JSON body of a request as fields, read once. */
final class Body
{
    private const LARGEST = 1048576;

    /** Where it stands beside the request, once it was read. */
    private const READ = '_footnote_body';

    public static function of(Request $request): Fields
    {
        $read = $request->attributes->get(self::READ);
        if (!$read instanceof Fields) {
            $read = self::read($request);
            $request->attributes->set(self::READ, $read);
        }

        return $read;
    }

    private static function read(Request $request): Fields
    {
        if ($request->getContentTypeFormat() !== 'json') {
            throw new Problem(415, 'The body must be JSON.');
        }
        $text = $request->getContent();
        if (\strlen($text) > self::LARGEST) {
            throw new Problem(413, 'The body is larger than 1 MB.');
        }
        try {
            $data = json_decode($text, true, 32, \JSON_THROW_ON_ERROR);
        } catch (\JsonException) {
            throw new Problem(400, 'The body is not JSON.');
        }
        if (!\is_array($data)) {
            throw new Problem(400, 'The body must be a JSON object.');
        }

        PlainText::only($data);

        return Fields::of($data);
    }
}
