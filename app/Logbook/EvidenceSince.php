<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

use Doctrine\DBAL\Connection;

/**
 * Whether anything that bears on a run was written into the logbook after a moment. Where nothing was, an assessment can only
 * have changed by a release of the rules, or by the policy.
 */
final readonly class EvidenceSince
{
    private const UNIT = 'instrument_id = (SELECT instrument_id FROM run_state WHERE run_id = :run)';
    private const LEANS = 'reference_id IN (SELECT l.reference_id FROM check_leaning l'
        .' JOIN check_record c ON c.id = l.check_id WHERE c.'.self::UNIT.')';
    private const MATES = 'SELECT o.run_id FROM run_state r JOIN run_state o ON o.shift_key = r.shift_key WHERE r.run_id = :run';
    private const SHIFT = 'run_id IN ('.self::MATES.')';
    private const MEDIA = 'medium IN (SELECT o.medium FROM run_state r JOIN run_state o ON o.campaign_id = r.campaign_id'
        .' WHERE r.run_id = :run UNION SELECT b.medium FROM blank b JOIN run r ON r.campaign_id = b.campaign_id WHERE r.id = :run)';

    private const WHERE = [
        'SELECT 1 FROM check_record WHERE '.self::UNIT,
        'SELECT 1 FROM check_set_aside s JOIN check_record c ON c.id = s.check_id WHERE c.'.self::UNIT.' AND s.recorded_at >= :at',
        'SELECT 1 FROM check_replaced WHERE '.self::UNIT,
        'SELECT 1 FROM intervention WHERE '.self::UNIT,
        'SELECT 1 FROM certificate WHERE ('.self::UNIT.' OR '.self::LEANS.')',
        'SELECT 1 FROM recall WHERE '.self::LEANS,
        'SELECT 1 FROM run_fact WHERE '.self::SHIFT,
        'SELECT 1 FROM log_file WHERE '.self::SHIFT,
        'SELECT 1 FROM run WHERE id IN ('.self::MATES.')',
        'SELECT 1 FROM laboratory_report WHERE id IN (SELECT report_id FROM laboratory_row WHERE '.self::MEDIA.')',
        'SELECT 1 FROM laboratory_word WHERE report_id IN (SELECT report_id FROM laboratory_row WHERE '.self::MEDIA.')',
        'SELECT 1 FROM blank WHERE campaign_id = (SELECT campaign_id FROM run WHERE id = :run)',
        'SELECT 1 FROM library_entry WHERE 1 = 1',
    ];

    public function __construct(private Connection $connection)
    {
    }

    /** @param string $at as it is stored, in UTC */
    public function any(string $run, string $at): bool
    {
        foreach (self::WHERE as $sql) {
            $since = str_contains($sql, ':at') ? $sql : $sql.' AND recorded_at >= :at';
            if ($this->connection->fetchOne($since.' LIMIT 1', ['run' => $run, 'at' => $at]) !== false) {
                return true;
            }
        }

        return false;
    }
}
