<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use Doctrine\DBAL\Connection;
use MintDoor\Core\Roles\Administrators;
use MintDoor\History\History;
use MintDoor\People\PersonRow;
use MintDoor\Shared\Answer;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Id;
use MintDoor\Shared\Locks;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Problem;
use MintDoor\Shared\Row;
use MintDoor\Shared\SessionStore;
use MintDoor\Shared\Transaction;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** Who administers the platform and its divisions. */
final readonly class AdministratorController
{
    private const MAY = 'Only a platform administrator says who administers what.';

    public function __construct(
        private Connection $db,
        private PlatformClock $clock,
        private Transaction $transaction,
        private History $history,
        private SessionStore $sessions,
        private Locks $locks,
    ) {}

    #[Route('/administrators', name: 'administrators', methods: ['GET'])]
    public function all(#[CurrentUser] Caller $caller): Response
    {
        $this->mayNobodyElse($caller);

        return $this->answer();
    }

    /** Makes somebody an administrator, of the platform or of divisions, or ends it. */
    #[Route(
        '/administrators/{person}',
        name: 'name_administrator',
        requirements: ['person' => Id::PATTERN],
        methods: ['PUT'],
    )]
    public function name(
        string $person,
        #[MapRequestPayload] AdministratorRequest $body,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        $this->mayNobodyElse($caller);

        return $this->transaction->run($request, $caller, [], function () use ($person, $body, $caller): Answer {
            $this->locks->people([$person], alone: true);
            $rows = Row::all(
                $this->db->fetchAllAssociative(
                    <<<'SQL'
                        SELECT person_id, platform_administrator, closed_from
                        FROM account
                        WHERE platform_administrator = 1 OR person_id = ?
                        ORDER BY person_id
                        FOR UPDATE
                        SQL,
                    [Id::binary($person)],
                ),
            );
            $now = $this->clock->instant();
            $own =
                array_values(array_filter($rows, static fn(Row $row): bool => $row->id('person_id') === $person))[0]
                ?? null;
            $others = \count(
                array_filter(
                    $rows,
                    static fn(Row $row): bool => $row->id('person_id') !== $person
                        && $row->bool('platform_administrator')
                        && $row->instant('closed_from') > $now,
                ),
            );
            $was = [
                'platform' => true === $own?->bool('platform_administrator'),
                'divisions' => $this->divisionsOf($person),
            ];
            $will = ['platform' => $body->platform, 'divisions' => array_values(array_unique($body->divisions))];
            sort($will['divisions']);
            $this->assertNone(
                Administrators::refusal(
                    $was['platform'],
                    $will['platform'],
                    $others,
                    null !== $own && $own->instant('closed_from') > $now,
                ),
            );
            if (null === $own && [] !== $will['divisions']) {
                $this->assertNone('no-account');
            }
            if ($was !== $will) {
                $this->store($person, $will);
                $this->sessions->renewOf($person);
                $this->history->write(History::PLATFORM, $caller, [
                    ['administrator-named', ['before' => $was, 'after' => $will], $person],
                ]);
            }

            return $this->answer();
        });
    }

    private function mayNobodyElse(Caller $caller): void
    {
        if (!$caller->platformAdministrator) {
            throw Problem::notAllowed(self::MAY);
        }
    }

    private function assertNone(?string $refusal): void
    {
        match ($refusal) {
            null => null,
            'last-administrator' => throw Problem::field(
                '/platform',
                $refusal,
                'Somebody has to administer the platform. Name another administrator first.',
            ),
            default => throw Problem::field(
                '/platform',
                $refusal,
                'They have no open account, so they could not sign in. Give them one first.',
            ),
        };
    }

    /** @return list<string> codes */
    private function divisionsOf(string $person): array
    {
        return array_map(
            static fn(Row $row): string => $row->string('code'),
            Row::all(
                $this->db->fetchAllAssociative(
                    <<<'SQL'
                        SELECT d.code
                        FROM division_administrator a
                        JOIN division d ON d.id = a.division_id
                        WHERE a.person_id = ?
                        ORDER BY d.code
                        SQL,
                    [Id::binary($person)],
                ),
            ),
        );
    }

    /** @param array{platform: bool, divisions: list<string>} $will */
    private function store(string $person, array $will): void
    {
        $this->db->executeStatement('UPDATE account SET platform_administrator = ? WHERE person_id = ?', [
            (int) $will['platform'],
            Id::binary($person),
        ]);
        $this->db->executeStatement('DELETE FROM division_administrator WHERE person_id = ?', [Id::binary($person)]);
        foreach ($will['divisions'] as $division) {
            if (
                1
                !== (int) $this->db->executeStatement(
                    <<<'SQL'
                        INSERT INTO division_administrator (person_id, division_id)
                        SELECT ?, id
                        FROM division
                        WHERE code = ?
                        SQL,
                    [Id::binary($person), $division],
                )
            ) {
                throw Problem::field('/divisions', 'unknown', 'Choose divisions from the list.');
            }
        }
    }

    private function answer(): Answer
    {
        $rows = $this->db->fetchAllAssociative(
            'SELECT '
                .PersonRow::COLUMNS
                .', a.platform_administrator, (SELECT GROUP_CONCAT(ad.code ORDER BY ad.code SEPARATOR \' \') '
                    .'FROM division_administrator da JOIN division ad ON ad.id = da.division_id '
                    .'WHERE da.person_id = p.id) AS divisions FROM '
                .PersonRow::TABLES
                .' WHERE a.platform_administrator = 1 OR p.id IN (SELECT person_id FROM division_administrator) '
                    .'ORDER BY a.platform_administrator DESC, p.sort_name',
        );

        return new Answer([
            'items' => array_map(
                fn(Row $row): array => [
                    'person' => ['id' => $row->id('person_id'), 'name' => PersonRow::name($row)],
                    'platform' => $row->bool('platform_administrator'),
                    'divisions' => $row->list('divisions'),
                    'closed' => $row->instant('closed_from') <= $this->clock->instant(),
                ],
                Row::all($rows),
            ),
        ]);
    }
}
