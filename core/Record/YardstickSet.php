<?php

declare(strict_types=1);

namespace Footnote\Core\Record;

/** Criteria and limits that hold together, as one regulation or recommendation has them: what a campaign is begun with. */
final readonly class YardstickSet
{
    /**
     * @param string       $agent    what is measured, as a person would look for it: noise
     * @param string       $title    where or for what it holds
     * @param string       $source   the document
     * @param list<string> $criteria identifiers of shipped ones
     * @param list<string> $limits   identifiers of shipped ones
     * @param string       $oneOf    of the sets with the same word a campaign has one at most; empty: they go together
     */
    public function __construct(
        public string $id,
        public string $agent,
        public string $title,
        public string $source,
        public array $criteria,
        public array $limits = [],
        public string $oneOf = '',
    ) {
    }
}
