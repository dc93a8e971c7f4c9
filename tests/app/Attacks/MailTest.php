<?php

declare(strict_types=1);

namespace MintDoor\Tests\App\Attacks;

use MintDoor\Roles\Roles;
use MintDoor\Roles\RulesCodec;

/** Mail that goes out in somebody's name, by the thousand. */
final class MailTest extends AttackCase
{
    public function testADayHasSoManyInvitationsToAddressesOutside(): void
    {
        $this->limits(['mailOutside' => 60]);
        $path = '/sites/'.$this->ids['nerves'].'/doors/'.$this->door().'/invitations';
        $addresses = static fn(int $from, int $to): array => [
            'text' => implode("\n", array_map(static fn(int $n): string => "a$n@example.net", range($from, $to))),
        ];
        $plan = $this->call('disloyal', 'POST', $path, $addresses(1, 30) + ['apply' => false]);
        self::assertNull($plan['left'], 'far off');
        $this->call('disloyal', 'POST', $path, $addresses(1, 30) + ['apply' => true]);
        self::assertSame(30, $this->call('disloyal', 'POST', $path, $addresses(31, 40) + ['apply' => false])['left']);
        $problem = $this->call('disloyal', 'POST', $path, $addresses(31, 70) + ['apply' => true], 429);
        self::assertStringContainsString('30 are left', $problem['detail']);
        self::assertSame(30, $this->messages(), 'all of them or none');
        $this->call('disloyal', 'POST', $path, $addresses(31, 60) + ['apply' => true]);
        $this->call('disloyal', 'POST', $path, $addresses(61, 61) + ['apply' => true], 429);
        $other = '/sites/'.$this->ids['nerves'].'/doors/'.$this->door('Another').'/invitations';
        $this->call('disloyal', 'POST', $other, $addresses(61, 61) + ['apply' => true], 429);
        $this->call('principal', 'POST', $other, $addresses(61, 61) + ['apply' => true]);
    }

    public function testTheSameGoesOutAgainAFewTimesOnly(): void
    {
        $path = '/sites/'.$this->ids['nerves'].'/doors/'.$this->door().'/invitations';
        $this->call('disloyal', 'POST', $path, ['text' => 'a@example.net', 'apply' => true]);
        for ($n = 0; $n < 3; ++$n) {
            $this->deliver();
            $this->call('disloyal', 'POST', $path.'/again', ['all' => true]);
        }
        $this->deliver();
        $this->call('disloyal', 'POST', $path.'/again', ['all' => true], 429);
        $this->call('principal', 'POST', $path.'/again', ['all' => true], 429);
    }

    public function testAMessageAgainAndAgainEndsAlsoByItsCopies(): void
    {
        $this->call('lead', 'POST', '/sites/'.$this->ids['site'].'/change-lists', [
            'lines' => [['person' => $this->ids['newcomer'], 'verb' => 'let-in', 'role' => 'learner']],
            'tell' => '',
        ]);
        for ($n = 0; $n < 3; ++$n) {
            $this->deliver();
            $last = $this->call('lead', 'GET', '/messages')['items'][0]['id'];
            $this->call('lead', 'POST', '/messages/again', ['messages' => [$last]]);
        }
        $this->deliver();
        $this->call(
            'lead',
            'POST',
            '/messages/again',
            ['messages' => [$this->call('lead', 'GET', '/messages')['items'][0]['id']]],
            429,
        );
        self::assertSame(4, $this->messages());
    }

    public function testOnePersonGetsSoManyADayWhoeverSends(): void
    {
        $this->limits(['mailPerson' => 3]);
        for ($n = 1; $n <= 3; ++$n) {
            $this->invite('disloyal', 'Door '.$n, 'adult@example.org');
        }
        $this->invite('principal', 'Door 4', 'adult@example.org', 429);
        self::assertSame(3, $this->messages());
        // What happens to their account is told all the same.
        $this->used('adult');
        $this->call('admin', 'POST', '/sign-in-cards', ['people' => [$this->ids['adult']]]);
        self::assertSame(4, $this->messages());
    }

    public function testLinksToSetAPasswordAreCountedAlsoWhenTheyGoOutAgain(): void
    {
        $this->limits(['passwordLinks' => 2]);
        $link = fn(string $person, int $expected): array => $this->call(
            'lead',
            'POST',
            '/people/'.$this->ids[$person].'/password-link',
            null,
            $expected,
        );
        self::assertSame([1, 0], [$link('learner', 200)['left'], $link('learner', 200)['left']]);
        $link('learner', 429);
        $password = $this->db()->fetchOne("SELECT HEX(id) FROM message WHERE kind = 'password' LIMIT 1");
        $id = strtolower(
            (string) preg_replace(
                '/^(.{8})(.{4})(.{4})(.{4})(.{12})$/',
                '$1-$2-$3-$4-$5',
                \is_string($password) ? $password : '',
            ),
        );
        $this->deliver();
        $again = fn(string $as, int $expected = 200): array => $this->call(
            $as,
            'POST',
            '/messages/again',
            ['messages' => [$id]],
            $expected,
        );
        $again('lead', 429);
        $again('disloyal', 404);
        // Who may send it again has as many links a day as anybody.
        $again('admin');
        $again('admin');
        $again('admin', 429);
        self::assertSame(4, (int) $this->db()->fetchOne("SELECT COUNT(*) FROM message WHERE kind = 'password'"));
    }

    /** @param array<string, int> $limits */
    private function limits(array $limits): void
    {
        $rules = RulesCodec::write($this->service(Roles::class)->rules());
        $rules['limits'] = [...$rules['limits'], ...$limits];
        $this->call('admin', 'PUT', '/rules', ['rules' => $rules, 'apply' => true], headers: ['If-Match' => '"1"']);
    }

    private function door(string $name = 'Invited'): string
    {
        return $this->call(
            'principal',
            'POST',
            '/sites/'.$this->ids['nerves'].'/doors',
            ['kind' => 'invitation', 'role' => 'class-assistant', 'name' => $name],
            201,
        )['id'];
    }

    private function invite(string $as, string $door, string $address, int $expected = 200): void
    {
        $site = $this->platform->site(
            'S'.$door[-1],
            $door,
            'course',
            $this->ids['evening'],
            $this->ids['term'],
            null,
            null,
            $this->now() - 1_000_000,
        );
        $this->platform->letIn($site, $this->ids[$as], 'lead-tutor', $this->now() - 900_000);
        $this->platform->write();
        $id = $this->call($as, 'POST', "/sites/$site/doors", ['kind' => 'invitation', 'name' => $door], 201)['id'];
        $this->call(
            $as,
            'POST',
            "/sites/$site/doors/$id/invitations",
            ['text' => $address, 'apply' => true],
            $expected,
        );
    }

    private function messages(): int
    {
        return (int) $this->db()->fetchOne('SELECT COUNT(*) FROM message');
    }
}
