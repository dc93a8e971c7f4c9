<?php

declare(strict_types=1);

namespace MintDoor\Accounts;

use MintDoor\Accounts\Entity\Registration;
use MintDoor\Accounts\Repository\RegistrationCodes;
use MintDoor\Accounts\Repository\Registrations;
use MintDoor\Core\Messages\MessageKind;
use MintDoor\Core\People\NumberFormat;
use MintDoor\Core\People\PersonKind;
use MintDoor\Core\Platform\Registration as RegistrationSet;
use MintDoor\Core\Platform\RegistrationFor;
use MintDoor\History\Happening;
use MintDoor\History\History;
use MintDoor\Messages\Messages;
use MintDoor\Messages\Outgoing;
use MintDoor\Messages\Texts;
use MintDoor\People\Entity\Person;
use MintDoor\People\Facts;
use MintDoor\People\Repository\People;
use MintDoor\Platform\Entity\Division;
use MintDoor\Platform\PlatformSettings;
use MintDoor\Platform\Repository\Divisions;
use MintDoor\Shared\Caller;
use MintDoor\Shared\CallerProvider;
use MintDoor\Shared\Ids;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Problem;
use MintDoor\Shared\ProblemType;
use MintDoor\Shared\Repository\Callers;
use Symfony\Component\Messenger\Attribute\AsMessageHandler;
use Symfony\Component\Messenger\MessageBusInterface;

/**
 * People who make an account for themselves. Nobody learns from it who is known already: whoever asks is told the same,
 * and a worker writes to the address, to whoever it is. Runs inside transactions.
 */
final readonly class Registering
{
    public function __construct(
        private Registrations $registrations,
        private RegistrationCodes $codes,
        private PlatformSettings $settings,
        private Divisions $divisions,
        private People $people,
        private OwnAccounts $accounts,
        private AccountNotifier $notifier,
        private Messages $messages,
        private Texts $texts,
        private CallerProvider $callers,
        private History $history,
        private PlatformClock $clock,
        private Ids $ids,
        private MessageBusInterface $bus,
        private Callers $settled,
    ) {}

    /** @return list<OpenDivision> those in which people register, as they are read */
    public function open(): array
    {
        $settings = $this->settings->read();
        $open = [];
        foreach ($settings->divisions->inOrder() as ['division' => $division]) {
            $registration = $settings->registrationOf($division->code);
            if (null !== $registration) {
                $levels = $settings->divisions->levels($division->code);
                $asks = array_diff($registration->asks, [] === $levels?->names ? ['level'] : []);
                $open[] = new OpenDivision(
                    $division->code,
                    $division->name,
                    $division->welcome,
                    $registration->for->value,
                    $registration->domains,
                    $registration->approved,
                    array_values($asks),
                    $levels,
                );
            }
        }

        return $open;
    }

    /**
     * @param bool $few whether the address is written to; it was often lately otherwise
     *
     * @throws Problem at the fields, by what was typed alone
     */
    public function ask(RegisterRequest $body, bool $few): void
    {
        [$set, $division] = $this->set($body->division);
        $given = OwnAccounts::name($body->given, '/given', 'doors.type-given-name');
        $family = OwnAccounts::name($body->family, '/family', 'doors.type-family-name');
        if (!$set->takes($body->email)) {
            throw Problem::field('/email', 'other-domain', 'accounts.register-other-domain');
        }
        if (RegistrationFor::Code === $set->for && !$this->codes->fits($division, $body->code)) {
            throw Problem::field('/code', 'wrong', 'accounts.register-code');
        }
        if (!$few) {
            return;
        }
        $asks = static fn(string $what): bool => \in_array($what, $set->asks, true);
        $number = NumberFormat::bare($body->number);
        $registration = new Registration(
            $this->ids->next(),
            $division,
            $given,
            $family,
            $body->email,
            $asks('number') && '' !== $number ? $number : null,
            $asks('level') ? $body->level : null,
            $this->clock->instant(),
        );
        $this->registrations->add($registration);
        $this->registrations->flush();
        $this->bus->dispatch(new Registered($registration->id));
    }

    /** Whoever is in the directory gets what they need to sign in; the others show that the address is theirs. */
    #[AsMessageHandler]
    public function registered(Registered $job): void
    {
        $registration = $this->registrations->find($job->registration);
        if (null === $registration) {
            return;
        }
        $known = $this->people->withAddress($registration->email);
        if (null !== $known && $this->accounts->has($known->id)) {
            $this->handOver($known, $registration);

            return;
        }
        if (null !== $known && $known->division->id !== $registration->division->id) {
            $registration = $this->of($known->division, $registration);
        }
        $division = $registration->division;
        $language = $this->language($division);
        $template = $this->texts->nearest(MessageKind::Registration, null, $division->code, $language);
        $letter = $template->template->fill(
            [
                'name' => $registration->givenName.' '.$registration->familyName,
                'given' => $registration->givenName,
                'login' => '',
                'platform' => $this->settings->name(),
                'division' => $division->name,
            ],
            $language,
        );
        $this->messages->queue(
            [
                new Outgoing(
                    MessageKind::Registration,
                    null,
                    $registration->email,
                    $letter,
                    Registrations::CAUSE.$registration->id,
                ),
            ],
            null,
            held: false,
        );
    }

    /** @throws Problem of type `LinkIsOver` */
    public function withToken(#[\SensitiveParameter] string $token): Registration
    {
        return $this->registrations->withToken($token, $this->clock->instant())
            ?? throw new Problem(ProblemType::LinkIsOver, 'accounts.link-used-already-time');
    }

    /**
     * Whether somebody has to say yes before there is an account: as it is set, of whoever is in the directory in their
     * own division, and always for those who are there as something else than a learner.
     */
    public function waits(Registration $registration): bool
    {
        $known = $this->people->withAddress($registration->email);
        if (null !== $known && PersonKind::Learner->value !== $known->kind) {
            return true;
        }

        $division = $known->division ?? $registration->division;

        return $this->settings->read()->registrationOf($division->code)->approved ?? true;
    }

    /**
     * The address is theirs.
     *
     * @param ?string $hash of the password they chose; null where they wait for a yes
     *
     * @return ?Caller null where they wait
     */
    public function confirm(Registration $registration, ?string $hash): ?Caller
    {
        if (null === $hash) {
            $registration->confirmedAt = $this->clock->instant();
            $registration->tokenHash = null;
            $this->registrations->flush();

            return null;
        }
        $id = $this->make($registration, $hash);
        $caller = $this->callers->byId($id);
        $this->history->write(History::PLATFORM, $caller, new Happening('account-made', [], $id));

        return $caller;
    }

    /** Says yes, and writes to them; or says no. */
    public function answer(Registration $registration, bool $yes, Caller $caller): void
    {
        if (!$yes) {
            $this->history->write(History::PLATFORM, $caller, new Happening('registration-refused'));
            $this->registrations->remove($registration);
            $this->registrations->flush();

            return;
        }
        $id = $this->make($registration, null);
        $this->history->write(History::PLATFORM, $caller, new Happening('account-made', [], $id));
        $this->notifier->welcome($this->people->byId([$id])[$id], 'account:'.$id, $caller);
    }

    /** @return string id of the person */
    private function make(Registration $registration, ?string $hash): string
    {
        $this->accounts->takeTurns();
        $known = $this->people->withAddress($registration->email);
        if (null !== $known) {
            if ($this->accounts->has($known->id)) {
                throw new Problem(ProblemType::LinkIsOver, 'accounts.register-known-by-now');
            }
            $this->accounts->open($known, $hash);
            $this->registrations->remove($registration);
            $this->registrations->flush();

            return $known->id;
        }
        $number = $registration->number;
        $free = null === $number || !$this->people->isTaken('number', $number, '');
        $facts = new Facts(
            $registration->givenName,
            $registration->familyName,
            level: $registration->level,
            // Whose number it is already is nobody's business here.
            number: $free ? $number : null,
            email: $registration->email,
        );
        $division = $registration->division;
        $id = $this->accounts->make(PersonKind::Learner, $division->code, $facts, $hash);
        $language = $this->language($division);
        if ($language !== $division->language) {
            $this->settled->settle($id, $language, null);
        }
        $this->registrations->remove($registration);
        $this->registrations->flush();

        return $id;
    }

    /** In which somebody is written to who registers in a division. */
    private function language(Division $division): string
    {
        $language = $this->settings->read()->registrationOf($division->code)->language ?? '';

        return '' === $language ? $division->language : $language;
    }

    /** The same in the division that somebody of the directory is of: whoever administers it says yes. */
    private function of(Division $division, Registration $registration): Registration
    {
        $other = new Registration(
            $this->ids->next(),
            $division,
            $registration->givenName,
            $registration->familyName,
            $registration->email,
            null,
            null,
            $registration->askedAt,
        );
        $this->registrations->remove($registration);
        $this->registrations->add($other);
        $this->registrations->flush();

        return $other;
    }

    private function handOver(Person $known, Registration $registration): void
    {
        $row = $this->people->byId([$known->id])[$known->id];
        $this->notifier->password($row, 'registered:'.$registration->id, null);
        $this->registrations->remove($registration);
        $this->registrations->flush();
    }

    /**
     * @return array{RegistrationSet, Division}
     *
     * @throws Problem at `/division`
     */
    private function set(string $code): array
    {
        $set = $this->settings->read()->registrationOf($code);
        $division = null === $set ? null : $this->divisions->withCode($code);

        return null === $set || null === $division
            ? throw Problem::field('/division', 'unknown', 'accounts.register-division')
            : [$set, $division];
    }
}
