<?php

declare(strict_types=1);

namespace Footnote\App\Storage;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\ParameterType;
use Doctrine\DBAL\Result;
use Doctrine\DBAL\Statement;

/** Queries that are asked over and over while runs are judged, prepared once. */
final class Prepared
{
    /** @var array<string, Statement> by their text */
    private array $statements = [];

    public function __construct(private readonly Connection $connection)
    {
    }

    /**
     * @param list<string> $values
     *
     * @return list<array<string, mixed>>
     */
    public function rows(string $sql, array $values): array
    {
        return $this->ask($sql, $values)->fetchAllAssociative();
    }

    /**
     * @param list<string> $values
     *
     * @return list<string> the first column
     */
    public function column(string $sql, array $values): array
    {
        return array_values(array_filter($this->ask($sql, $values)->fetchFirstColumn(), \is_string(...)));
    }

    /** @param list<string> $values */
    private function ask(string $sql, array $values): Result
    {
        $statement = $this->statements[$sql] ??= $this->connection->prepare($sql);
        foreach ($values as $place => $value) {
            $statement->bindValue($place + 1, $value, ParameterType::STRING);
        }

        return $statement->executeQuery();
    }
}
