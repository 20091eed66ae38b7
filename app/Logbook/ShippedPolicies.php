<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

use Footnote\Core\Judgement\PolicyReader;

/**
 * The policies that come with Footnote, read from their files.
 *
 * @phpstan-import-type PolicyData from PolicyReader
 */
final readonly class ShippedPolicies
{
    public const ALL = ['standard', 'cautious', 'survey'];

    public function __construct(private string $projectDir)
    {
    }

    /** @return PolicyData with all that it is based on */
    public function get(string $id): array
    {
        return (new PolicyReader())->complete($this->file($id), ['standard' => $this->file('standard')]);
    }

    /** @return array<string, PolicyData> by identifier */
    public function all(): array
    {
        return array_combine(self::ALL, array_map($this->get(...), self::ALL));
    }

    /** @return PolicyData */
    private function file(string $id): array
    {
        /** @var PolicyData */
        return json_decode(
            (string) file_get_contents($this->projectDir.'/core/Judgement/shipped/'.$id.'.json'),
            true,
            32,
            \JSON_THROW_ON_ERROR,
        );
    }
}
