<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use MintDoor\Accounts\OwnAccounts;
use MintDoor\Accounts\Passwords;
use MintDoor\Core\People\PersonKind;
use MintDoor\History\Happening;
use MintDoor\History\History;
use MintDoor\People\Facts;
use MintDoor\People\Repository\AccountRecords;
use MintDoor\People\Repository\People;
use MintDoor\Platform\Repository\Divisions;
use MintDoor\Roles\Roles;
use MintDoor\Shared\Caller;
use MintDoor\Shared\CallerProvider;
use MintDoor\Shared\Problem;
use MintDoor\Shared\Said;
use Symfony\Component\PasswordHasher\Hasher\PasswordHasherFactoryInterface;

/** Accounts that people make for themselves on the way through a door that allows it, or with an invitation. */
final readonly class Newcomers
{
    public function __construct(
        private People $people,
        private AccountRecords $accounts,
        private OwnAccounts $made,
        private Divisions $divisions,
        private Roles $roles,
        private CallerProvider $callers,
        private PasswordHasherFactoryInterface $hashers,
        private History $history,
    ) {}

    /** @throws Problem at `/password` */
    public function assertComplete(JoinAccountRequest $request): void
    {
        Passwords::assertGood($request->password, [$request->given, $request->family]);
    }

    /** Slow on purpose, so it is done before anything is locked. */
    public function hash(#[\SensitiveParameter] string $password): string
    {
        return $this->hashers->getPasswordHasher(Caller::class)->hash($password);
    }

    /**
     * Whoever comes has an account from now on. Runs inside a transaction.
     *
     * @throws Problem at the fields, or of type `NotAllowed` where this door makes no accounts
     */
    public function make(BeforeDoor $before, JoinAccountRequest $request, string $hash): Caller
    {
        $door = $before->door;
        $invitation = $before->invitation;
        $policy = $door->policy;
        $invited = $invitation?->person?->id;
        if (null !== $invited) {
            return $this->firstPassword($invited, $hash);
        }
        if (null === $invitation && !$policy->accounts) {
            throw Problem::notAllowed('doors.door-makes-no-accounts');
        }
        $kind = $this->kind($policy);
        $division = $policy->divisions[0] ?? $door->door->site->division->code;
        $level = PersonKind::Learner === $kind
            ? $this->level($policy, $division, null !== $invitation, $request->level)
            : null;
        $given = OwnAccounts::name($request->given, '/given', 'doors.type-given-name');
        $family = OwnAccounts::name($request->family, '/family', 'doors.type-family-name');
        $address = $invitation?->address;
        $this->made->takeTurns();
        if (null !== $address && $this->people->isTaken('email', $address, '')) {
            throw Problem::notAllowed('doors.account-address-invitation-now');
        }
        $id = $this->made->make($kind, $division, new Facts($given, $family, level: $level, email: $address), $hash);
        $caller = $this->callers->byId($id);
        $this->history->write(History::PLATFORM, $caller, new Happening('account-made', ['door' => $door->id], $id));

        return $caller;
    }

    /** The link came to their own address: it sets their first password, and never another one. */
    private function firstPassword(string $person, string $hash): Caller
    {
        $account = $this->accounts->locked($person);
        if (null === $account || null !== $account->passwordHash) {
            throw Problem::notAllowed('doors.account-already-sign-invitation');
        }
        $account->setPassword($hash);
        $this->accounts->flush();

        return $this->callers->byId($person);
    }

    private function kind(DoorPolicy $policy): PersonKind
    {
        $kinds = $this->roles->book()->find($policy->role)->for ?? [];

        return \in_array(PersonKind::Learner, $kinds, true) ? PersonKind::Learner : PersonKind::External;
    }

    /**
     * Within what the door says; what a site says of its levels is not asked of those who come through a door.
     *
     * @throws Problem at `/level`
     */
    private function level(DoorPolicy $policy, string $division, bool $invited, ?int $level): ?int
    {
        $levels = $this->divisions->tree()->levels($division);
        $offered = LevelsOffered::of($policy->lowest, $policy->highest, $levels);
        if (null === $offered) {
            return null;
        }
        if (!$invited && null === $level) {
            throw Problem::field('/level', 'choose', 'doors.choose-level');
        }
        $said = null !== $levels || (null !== $policy->lowest && null !== $policy->highest);
        if (null !== $level && $said && !$offered->has($level)) {
            $ends = [
                'lowest' => $levels?->nameOf($offered->lowest) ?? $offered->lowest,
                'highest' => $levels?->nameOf($offered->highest) ?? $offered->highest,
            ];
            throw Problem::field('/level', 'levels', Said::with('doors.levels', ...$ends));
        }

        return $level ?? $policy->lowest;
    }
}
