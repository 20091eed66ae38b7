<?php

declare(strict_types=1);

namespace Footnote\App\Package;

use Symfony\Component\DependencyInjection\Attribute\Exclude;

/** Of what a package is asked for, and whether photos and documents lie in it. */
#[Exclude]
final readonly class Wanted
{
    /** @param string $report empty: of the whole campaign */
    private function __construct(public string $campaign, public string $report, public bool $files)
    {
    }

    public static function ofCampaign(string $campaign, bool $files): self
    {
        return new self($campaign, '', $files);
    }

    /** @param string $campaign that the report is of */
    public static function ofReport(string $report, string $campaign, bool $files): self
    {
        return new self($campaign, $report, $files);
    }

    /** What it is called among files: one that is asked for in the same way has the same name. */
    public function name(): string
    {
        $asked = json_encode([$this->campaign, $this->report, $this->files], \JSON_THROW_ON_ERROR);

        return 'package.'.substr(hash('sha256', $asked), 0, 24);
    }

    /** What it is called where it is fetched. */
    public function title(): string
    {
        return \sprintf(
            'footnote-%s%s.zip',
            preg_replace('/[^A-Za-z0-9._-]/', '_', $this->report === '' ? $this->campaign : $this->report),
            $this->files ? '' : '-without-files',
        );
    }
}
