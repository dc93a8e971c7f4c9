<?php

declare(strict_types=1);

namespace MintDoor\Tests\App\Attacks;

/** Doors, invitations and lists made by who has lost the right since. */
final class DoorsTest extends AttackCase
{
    public function testWhoWasRemovedByStaffDoesNotWalkBackInWithTheClassKey(): void
    {
        $key = $this->key('principal');
        $this->change('principal', 'remove', 'adult', site: 'nerves');
        self::assertSame('approval', $this->call('adult', 'POST', '/join', ['key' => $key])['passage']);
        self::assertSame(
            'approval',
            $this->call('principal', 'GET', '/sites/'.$this->ids['nerves'].'/waiting')['items'][0]['what'],
        );
        // Who came by the key, and whose coming in was undone, asks, too.
        $this->call('newcomer', 'POST', '/join', ['key' => $key]);
        $entry = $this->call('principal', 'GET', '/sites/'.$this->ids['nerves'].'/history')['items'][0]['sequence'];
        $this->call('principal', 'POST', '/sites/'.$this->ids['nerves'].'/history/'.$entry.'/undo');
        self::assertSame('approval', $this->call('newcomer', 'POST', '/join', ['key' => $key])['passage']);
    }

    public function testWhoWentByThemselvesComesAgain(): void
    {
        $key = $this->key('principal');
        $this->call('newcomer', 'POST', '/join', ['key' => $key]);
        $this->call('newcomer', 'POST', '/sites/'.$this->ids['nerves'].'/leave');
        self::assertSame('in', $this->call('newcomer', 'POST', '/join', ['key' => $key])['passage']);
    }

    public function testADoorOpensWithTheRightsItsKeeperHasThen(): void
    {
        $key = $this->key('disloyal');
        $this->change('principal', 'remove', 'disloyal', site: 'nerves');
        $refused = $this->call('newcomer', 'POST', '/join', ['key' => $key], 409);
        self::assertSame('unbacked', $refused['code']);
        $door = array_values(
            array_filter(
                $this->call('principal', 'GET', '/sites/'.$this->ids['nerves'].'/doors')['items'],
                static fn(array $door): bool => $door['set'],
            ),
        )[0];
        self::assertFalse($door['backed']);
        // A lead opens it anew, and stands behind it from then on.
        self::assertTrue(
            $this->call('principal', 'PUT', '/sites/'.$this->ids['nerves'].'/doors/'.$door['id'].'/open')[
                'backed'
            ],
        );
        self::assertSame('in', $this->call('newcomer', 'POST', '/join', ['key' => $key])['passage']);
    }

    public function testAnInvitationIsAnsweredWithTheRightsOfWhoSentIt(): void
    {
        $doors = '/sites/'.$this->ids['nerves'].'/doors';
        $door = $this->call('principal', 'POST', $doors, ['kind' => 'invitation'], 201)['id'];
        $this->call('disloyal', 'POST', "$doors/$door/invitations", [
            'text' => 'newcomer@example.org',
            'apply' => true,
        ]);
        $this->change('principal', 'remove', 'disloyal', site: 'nerves');
        $token = 'a-token-that-was-sent';
        $this->db()->executeStatement(
            'INSERT INTO invitation_link (token_hash, invitation_id) SELECT ?, id FROM invitation',
            [hash('sha256', $token, true)],
        );
        self::assertSame('unbacked', $this->call('newcomer', 'POST', '/join', ['invitation' => $token], 409)['code']);
    }

    public function testAListIsAppliedWithTheRightsOfThatMoment(): void
    {
        $changeList = $this->call(
            'disloyal',
            'POST',
            '/change-lists',
            ['kind' => 'people', 'work' => ['x' => 1]],
            201
        )['id'];
        $line = ['site' => $this->ids['nerves'], 'line' => ['person' => $this->ids['adult'], 'verb' => 'remove']];
        $this->change('principal', 'remove', 'disloyal', site: 'nerves');
        $this->call('disloyal', 'POST', "/change-lists/$changeList/apply", ['lines' => [$line]], 403);
    }

    private function key(string $as): string
    {
        $made = $this->call(
            $as,
            'POST',
            '/sites/'.$this->ids['nerves'].'/doors',
            ['name' => 'Key', 'stay' => 'site'],
            201,
        );

        return (string) $made['key'];
    }
}
