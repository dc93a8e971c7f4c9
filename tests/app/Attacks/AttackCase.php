<?php

declare(strict_types=1);

namespace MintDoor\Tests\App\Attacks;

use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Tests\App\ApiTestCase;

/**
 * A platform as the audit found it: an evening site with a lead and a disloyal co-tutor, and people of other divisions
 * who have nothing to do with it.
 */
abstract class AttackCase extends ApiTestCase
{
    protected function furnish(): void
    {
        parent::furnish();
        $this->ids['nerves'] = $this->platform->site(
            'NERVES',
            'Stage Nerves',
            'course',
            $this->ids['evening'],
            $this->ids['term'],
            null,
            null,
            $this->now() - 1_000_000,
        );
        $this->ids['principal'] = $this->person('principal', 'staff', 'faculty');
        $this->ids['disloyal'] = $this->person('disloyal', 'staff', 'faculty');
        $this->ids['adult'] = $this->person('adult', 'learner', 'evening');
        $this->platform->administrator($this->ids['colleague'], $this->ids['juniors']);
        $long = $this->now() - 900_000;
        $this->platform->letIn($this->ids['nerves'], $this->ids['principal'], 'lead-tutor', $long);
        $this->platform->letIn($this->ids['nerves'], $this->ids['disloyal'], 'co-tutor', $long);
        $this->platform->letIn($this->ids['nerves'], $this->ids['adult'], 'learner', $long);
    }

    /** Lets some time pass for what holds now: everything is as if it had been done so long ago. */
    protected function age(int $seconds): void
    {
        foreach (['given_at', 'from_at', 'accepted_at', 'since_at'] as $column) {
            $this->db()->executeStatement(
                "UPDATE access_grant SET $column = $column - INTERVAL ? SECOND WHERE $column < '9000-01-01'
                    AND $column > '1900-01-01'",
                [$seconds],
            );
        }
        $this->db()->executeStatement(<<<'SQL'
            UPDATE enrollment_override
            SET from_at = from_at - INTERVAL ? SECOND
            SQL, [$seconds]);
        $this->db()->executeStatement(
            "UPDATE enrollment_segment SET from_at = from_at - INTERVAL ? SECOND WHERE from_at > '1900-01-01'",
            [$seconds],
        );
    }

    protected function used(string $person): void
    {
        $this->db()->executeStatement('UPDATE account SET used_at = ? WHERE person_id = ?', [
            Instant::toSql($this->now() - 5_000),
            Id::binary($this->ids[$person]),
        ]);
    }

    /**
     * The disloyal co-tutor lets in somebody of another division, named by their number.
     *
     * @return array<string, mixed> the line
     */
    protected function byNumber(string $person): array
    {
        $named = ['named' => 'X77'.strtoupper($person)];

        return $this->change('disloyal', 'let-in', $person, 'learner', more: $named, site: 'nerves');
    }

    /** @return string path of a new invitation door */
    protected function invitationDoor(string $as = 'lead', string $site = 'site'): string
    {
        $doors = '/sites/'.$this->ids[$site].'/doors';

        return $doors.'/'.$this->call($as, 'POST', $doors, ['kind' => 'invitation'], 201)['id'];
    }

    /** @return array<array-key, mixed> the card, or why there is none */
    protected function card(string $as, string $person): array
    {
        $answer = $this->call($as, 'POST', '/sign-in-cards', ['people' => [$this->ids[$person]]]);

        return $answer['cards'][0];
    }

    /** @param ?string $place the address it comes from */
    protected function signIn(string $login, string $password, ?string $place = null): int
    {
        $this->client->setServerParameter('REMOTE_ADDR', $place ?? '127.0.0.1');
        $this->call(null, 'POST', '/sign-in', ['login' => $login, 'password' => $password], null);
        $this->client->setServerParameter('REMOTE_ADDR', '127.0.0.1');

        return $this->client->getResponse()->getStatusCode();
    }

    protected function answered(): int
    {
        return $this->client->getResponse()->getStatusCode();
    }
}
