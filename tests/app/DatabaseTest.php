<?php

declare(strict_types=1);

namespace Footnote\Tests\App;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\Platforms\PostgreSQLPlatform;
use Doctrine\DBAL\Platforms\SQLitePlatform;
use Footnote\App\Access\Role;
use Footnote\App\Storage\Numbers;
use Footnote\Tests\Core\Scene;

/** What databases do differently: these tests run on each of them. */
final class DatabaseTest extends ApiTestCase
{
    public function testTheDatabaseIsTheOneAskedFor(): void
    {
        $asked = getenv('FOOTNOTE_DATABASE_URL');
        self::assertInstanceOf(
            $asked !== false && str_starts_with($asked, 'pgsql:') ? PostgreSQLPlatform::class : SQLitePlatform::class,
            $this->service(Connection::class)->getDatabasePlatform(),
        );
    }

    /** Identifiers stand by their bytes, whatever the language of the database: capitals before small letters. */
    public function testIdentifiersHaveOneOrder(): void
    {
        $connection = $this->service(Connection::class);
        foreach (['b', 'B', 'a-1', 'A_1', '10', '9'] as $id) {
            $connection->insert('reference', [
                'id' => $id, 'kind' => 'k', 'record' => '{}', 'recorded_by' => 't', 'recorded_at' => '2026-03-02 08:00:00',
            ]);
        }
        self::assertSame(
            ['10', '9', 'A_1', 'B', 'a-1', 'b'],
            $connection->fetchFirstColumn('SELECT id FROM reference ORDER BY id'),
        );
    }

    /** Numbers go on after the highest, whatever else is called alike. */
    public function testNumbersGoOn(): void
    {
        $connection = $this->service(Connection::class);
        self::assertSame('K-001', $this->service(Numbers::class)->next('reference', 'K-%03d'));
        foreach (['K-', 'K-7', 'K-0041', 'K-x', 'K-12a', 'L-99', 'K-99999999999999999999'] as $id) {
            $connection->insert('reference', [
                'id' => $id, 'kind' => 'k', 'record' => '{}', 'recorded_by' => 't', 'recorded_at' => '2026-03-02 08:00:00',
            ]);
        }
        self::assertSame('K-002', $this->service(Numbers::class)->next('reference', 'K-%03d'), 'nothing came in that it was told of');
        $this->service(Numbers::class)->lookAgain();
        self::assertSame('K-042', $this->service(Numbers::class)->next('reference', 'K-%03d'));
    }

    /** What not every database takes is refused, by its place, never an internal error. */
    public function testWhatIsNoTextIsRefused(): void
    {
        $this->import((new Scene())->check('k1', '07:30', ['114.0'])->run('r1', '08:00', '16:00'));
        $this->signIn(Role::Steward);
        $told = ['kind' => 'acoustic-calibrator', 'id' => "AC\0", 'model' => 'Fork'];
        $refused = $this->call('POST', '/api/kit/references', $told, 422);
        self::assertSame('/id', $refused->string('fields.0.field'));
        foreach (['/api/kit/instruments/D%00', '/api/results/r%FF', '/api/results?instrument=%00', '/api/results?person=%C3'] as $path) {
            $this->browser->request('GET', $path);
            self::assertSame(400, $this->browser->getResponse()->getStatusCode(), $path);
        }
        $this->call('POST', '/api/session/begin', ['name' => "reader\0", 'password' => self::PASSWORD], 400);
        $this->signIn(Role::Steward);
        $this->browser->request('GET', '/api/journal?before=99999999999999');
        self::assertSame(200, $this->browser->getResponse()->getStatusCode());
    }
}
