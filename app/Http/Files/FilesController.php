<?php

declare(strict_types=1);

namespace Footnote\App\Http\Files;

use Footnote\App\Access\User;
use Footnote\App\Bench\AskedSource;
use Footnote\App\Files\Cleaned;
use Footnote\App\Files\KeepFile;
use Footnote\App\Http\SentFile;
use Footnote\App\Logbook\FileOf;
use Footnote\App\Logbook\KeptFiles;
use Footnote\App\Refusal\Problem;
use Footnote\App\Storage\Cells;
use Footnote\Core\Record\Fields;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** Photos and documents of checks, runs, references and instruments. */
#[Route('/api/files')]
final readonly class FilesController
{
    private const LARGEST = ['A file', 12];

    public function __construct(private KeptFiles $files)
    {
    }

    #[Route('', methods: ['GET'])]
    public function of(Request $request): JsonResponse
    {
        return new JsonResponse($this->all(...self::asked($request)));
    }

    /** The file is the body; what is told of it stands in a header. */
    #[Route('', methods: ['POST'])]
    #[IsGranted('ROLE_TECHNICIAN')]
    public function keep(Request $request, #[CurrentUser] User $user, KeepFile $keep): JsonResponse
    {
        [$kind, $of] = self::asked($request);
        $told = SentFile::header($request, 'X-File') ?? Fields::of([]);
        $name = SentFile::name($told->optionalText('name') ?? '');
        $note = $told->optionalText('note', 2000) ?? '';
        $place = $told->optionalText('place', 80) ?? '';
        $file = SentFile::of($request, self::LARGEST);
        try {
            $keep($user, $kind, $of, $place, $name, $note, (string) file_get_contents($file->path));
        } finally {
            $file->forget();
        }

        return new JsonResponse($this->all($kind, $of), 201);
    }

    /** Pictures are shown; a document is handed over, since it stays as it came. */
    #[Route('/{id}', methods: ['GET'])]
    public function file(string $id): Response
    {
        [$file, $bytes] = $this->files->file($id);
        $type = Cells::text($file, 'type');
        $name = preg_replace('/[^A-Za-z0-9._-]/', '_', Cells::text($file, 'name'));

        return new Response($bytes, 200, [
            'Content-Type' => $type,
            'Content-Disposition' => ($type === Cleaned::PDF ? 'attachment' : 'inline').'; filename="'.$name.'"',
        ]);
    }

    /** @return array<string, mixed> */
    private function all(FileOf $kind, string $of): array
    {
        $this->files->refuseUnknown($kind, $of);

        return [
            'most' => KeepFile::MOST,
            'files' => array_map(static fn (array $file): array => [
                'place' => '',
                'note' => '',
                'removed' => [],
                'printed' => self::printed($file),
                ...array_diff_key($file, ['of' => 0, KeptFiles::LINES_TOLD => 0]),
            ], $this->files->of($kind, $of)),
        ];
    }

    /**
     * @param array<string, mixed> $file
     *
     * @return string|null how lines came; null of a photo or a document
     */
    private static function printed(array $file): ?string
    {
        $told = $file[KeptFiles::LINES_TOLD] ?? null;

        return !\is_array($told) ? null : match ($told['by'] ?? '') {
            AskedSource::STAND_IN => 'printed by a stand-in: practice',
            AskedSource::PORT => 'as they came through the port',
            AskedSource::PASTED => 'as they were pasted',
            default => 'as they stand in the file',
        };
    }

    /** @return array{FileOf, string} */
    private static function asked(Request $request): array
    {
        $kind = FileOf::tryFrom($request->query->getString('of')) ?? throw Problem::field(
            '/of',
            'must be one of: '.implode(', ', array_column(FileOf::cases(), 'value')).'.',
        );

        return [$kind, $request->query->getString('id')];
    }
}
