<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Core\Roles\Administrators;
use MintDoor\History\Happening;
use MintDoor\History\History;
use MintDoor\People\Entity\Account;
use MintDoor\People\Repository\AccountRecords;
use MintDoor\People\Repository\Administrations;
use MintDoor\People\Repository\NumbersReaders;
use MintDoor\Platform\Entity\Division;
use MintDoor\Platform\Repository\Divisions;
use MintDoor\Shared\Answer;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Id;
use MintDoor\Shared\Locks;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Problem;
use MintDoor\Shared\Repository\Sessions;
use MintDoor\Shared\Transaction;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** Who administers the platform and its divisions. */
final readonly class AdministratorController
{
    private const MAY = 'desk.only-platform-administrator-says';

    public function __construct(
        private AccountRecords $accounts,
        private Administrations $administrations,
        private NumbersReaders $readers,
        private Divisions $divisions,
        private PlatformClock $clock,
        private Transaction $transaction,
        private History $history,
        private Sessions $sessions,
        private Locks $locks,
    ) {}

    #[Route('/administrators', name: 'administrators', methods: ['GET'])]
    public function all(#[CurrentUser] Caller $caller): Response
    {
        $caller->mustAdministerPlatform(self::MAY);

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
        $caller->mustAdministerPlatform(self::MAY);

        return $this->transaction->run($request, $caller, [], function () use ($person, $body, $caller): Answer {
            $this->locks->people([$person], alone: true);
            $now = $this->clock->instant();
            $own = $this->accounts->locked($person);
            $others = array_filter(
                $this->accounts->administratorsAnd($person),
                static fn(Account $account): bool => $account->person->id !== $person
                    && $account->platformAdministrator
                    && $account->closedFrom > $now,
            );
            $was = [
                'platform' => true === $own?->platformAdministrator,
                'divisions' => $this->administrations->divisionsOf($person),
                ...$this->numbersOf($person),
            ];
            $will = [
                'platform' => $body->platform,
                'divisions' => self::sorted($body->divisions),
                'numbers' => $body->numbers,
                'numbersOf' => self::sorted($body->numbersOf),
            ];
            $this->assertNone(
                Administrators::refusal(
                    $was['platform'],
                    $will['platform'],
                    \count($others),
                    null !== $own && $own->closedFrom > $now,
                ),
            );
            if (null === $own && ([] !== $will['divisions'] || $body->numbers || [] !== $will['numbersOf'])) {
                $this->assertNone('no-account');
            }
            if ($was !== $will) {
                if (null !== $own) {
                    $own->platformAdministrator = $will['platform'];
                }
                $this->administrations->replace($person, $this->divisionsNamed($will['divisions']));
                $this->readers->replace($person, $will['numbers'], $this->divisionsNamed($will['numbersOf']));
                $this->sessions->renewOf($person);
                $this->history->write(
                    History::PLATFORM,
                    $caller,
                    new Happening('administrator-named', ['before' => $was, 'after' => $will], $person),
                );
            }

            return $this->answer();
        });
    }

    /** @return array{numbers: bool, numbersOf: list<string>} */
    private function numbersOf(string $person): array
    {
        $reads = $this->readers->of($person);

        return ['numbers' => $reads->everything, 'numbersOf' => $reads->divisions];
    }

    /**
     * @param list<string> $codes
     *
     * @return list<string> each once
     */
    private static function sorted(array $codes): array
    {
        $codes = array_values(array_unique($codes));
        sort($codes);

        return $codes;
    }

    private function assertNone(?string $refusal): void
    {
        match ($refusal) {
            null => null,
            'last-administrator' => throw Problem::field(
                '/platform',
                $refusal,
                'desk.somebody-administer-platform-name',
            ),
            default => throw Problem::field(
                '/platform',
                $refusal,
                'desk.no-open-account-could',
            ),
        };
    }

    /**
     * @param list<string> $codes
     *
     * @return list<Division>
     */
    private function divisionsNamed(array $codes): array
    {
        $all = $this->divisions->all();

        return array_map(
            static fn(string $code): Division => $all[$code]
                ?? throw Problem::field('/divisions', 'unknown', 'desk.choose-divisions-list'),
            $codes,
        );
    }

    private function answer(): Answer
    {
        $divisions = $this->administrations->all();
        $readers = $this->readers->all();
        $now = $this->clock->instant();

        return new Answer([
            'items' => array_map(
                static fn(Account $account): array => [
                    'person' => ['id' => $account->person->id, 'name' => $account->person->name()],
                    'platform' => $account->platformAdministrator,
                    'divisions' => $divisions[$account->person->id] ?? [],
                    'numbers' => $readers[$account->person->id]->everything ?? false,
                    'numbersOf' => $readers[$account->person->id]->divisions ?? [],
                    'closed' => $account->closedFrom <= $now,
                ],
                $this->accounts->ofAdministrators(),
            ),
        ]);
    }
}
