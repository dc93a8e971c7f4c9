<?php

declare(strict_types=1);

namespace MintDoor\Accounts\Repository;

use MintDoor\Accounts\Entity\CalendarAddress;
use MintDoor\People\Entity\Person;
use MintDoor\Shared\BaseRepository;

/**
 * Addresses of calendars, by the hash of their token.
 *
 * @extends BaseRepository<CalendarAddress>
 */
final class CalendarAddresses extends BaseRepository
{
    protected const ENTITY = CalendarAddress::class;

    public function of(string $person): ?CalendarAddress
    {
        return $this->findOneBy(['person' => $person]);
    }

    public function withToken(#[\SensitiveParameter] string $token): ?CalendarAddress
    {
        return $this->find(hash('sha256', $token, true));
    }

    /** A new address in place of the one of before, which is good no more. */
    public function renew(string $person, #[\SensitiveParameter] string $token, int $now): void
    {
        $this->dropOf($person);
        $hash = hash('sha256', $token, true);
        $this->add(new CalendarAddress($hash, $this->reference(Person::class, $person), $now));
        $this->flush();
    }

    public function dropOf(string $person): void
    {
        $address = CalendarAddress::class;
        $this->dql("DELETE FROM $address a WHERE a.person = :person", ['person' => $person])->execute();
    }
}
