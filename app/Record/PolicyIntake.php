<?php

declare(strict_types=1);

namespace Footnote\App\Record;

use Footnote\App\Logbook\Row\PolicyVersion;
use Footnote\App\Logbook\ShippedPolicies;
use Footnote\Core\Judgement\InvalidPolicy;
use Footnote\Core\Judgement\PolicyReader;
use Footnote\Core\Record\InvalidRecord;

/**
 * The policy of a record: one that came with Footnote, by its name; or one of a house, whole, which is kept as that house wrote it.
 *
 * @phpstan-import-type PolicyData from PolicyReader
 */
final readonly class PolicyIntake
{
    public function __construct(private Intake $intake, private PolicyReader $reader, private ShippedPolicies $shipped)
    {
    }

    /**
     * @return string key of the version
     *
     * @throws InvalidRecord where it cannot be kept, or another has its name here
     */
    public function take(mixed $policy, string $actor): string
    {
        if (\is_string($policy)) {
            return \in_array($policy, ShippedPolicies::ALL, true)
                ? $policy.'-1'
                : throw new InvalidRecord('/policy', \sprintf('must be %s, or a whole policy.', implode(', ', ShippedPolicies::ALL)));
        }
        $named = \is_array($policy) && \is_string($policy['id'] ?? null) && \is_int($policy['version'] ?? null);
        if (!$named || \in_array($policy['id'], ShippedPolicies::ALL, true)) {
            throw new InvalidRecord('/policy', 'is kept only under a name and a version of its own.');
        }
        /** @var PolicyData $policy */
        try {
            $policy = $this->reader->complete($policy, $this->shipped->all());
            $this->reader->read($policy);
        } catch (InvalidPolicy $problem) {
            throw new InvalidRecord('/policy', $problem->getMessage());
        }
        $key = $policy['id'].'-'.$policy['version'];
        $kept = $this->intake->find(PolicyVersion::class, $key);
        if ($kept !== null && $kept->data !== $policy) {
            throw new InvalidRecord('/policy', \sprintf('is another than the %s of this logbook; nothing was imported.', $key));
        }
        if ($kept === null) {
            $this->intake->addMissing(new PolicyVersion($key, $policy['id'], $policy['version'], $policy, $actor, $this->intake->now()));
        }

        return $key;
    }
}
