<?php

declare(strict_types=1);

namespace MintDoor\Tests\App\Attacks;

use MintDoor\Shared\Id;

/** Looking after somebody's account by a tie one made for it. */
final class CaretakerTest extends AttackCase
{
    /** The worst of the audit, step by step: let in, card, sign-in, undo, and nobody was told. */
    public function testSixRequestsToSomebodyElsesAccount(): void
    {
        $this->used('learner');
        // 1. The co-tutor of an evening site finds a learner of another division by their number,
        $found = $this->call('disloyal', 'GET', '/sites/'.$this->ids['nerves'].'/intake?q=X77LEARNER')[
            'canBeLetIn'
        ];
        self::assertSame($this->ids['learner'], $found[0]['person']['id']);
        // 2. lets them in, which an adult named so allows, and is told of,
        $line = $this->byNumber('learner');
        self::assertSame('current', $line['after']['state']);
        // 3. and gets no sign-in card,
        $card = $this->card('disloyal', 'learner');
        self::assertNull($card['password']);
        self::assertStringContainsString('You let this person in yourself', (string) $card['refused']);
        // 4. so that they sign in as nobody but themselves,
        self::assertSame(200, $this->signIn('learner', self::PASSWORD));
        // no page, no link, no session either,
        $person = '/people/'.$this->ids['learner'];
        $this->call('disloyal', 'GET', $person, null, 404);
        $this->call('disloyal', 'POST', $person.'/password-link', null, 403);
        $this->call('disloyal', 'DELETE', $person.'/sessions', null, 403);
        $this->call('disloyal', 'PUT', $person.'/password-wanted', null, 403);
        $this->call('disloyal', 'POST', $person.'/notes', ['text' => 'x'], 404);
        // nor does the roster tell more of them than the directory does,
        $shown = $this->call('disloyal', 'GET', '/sites/'.$this->ids['nerves'].'/roster/'.$this->ids['learner'])[
            'person'
        ];
        self::assertSame([null, null], [$shown['email'], $shown['login']]);
        self::assertStringStartsWith('•', (string) $shown['number']);
        // 5. the undo takes back what was done,
        $this->call('disloyal', 'POST', '/sites/'.$this->ids['nerves'].'/history/'.$line['entry'].'/undo');
        // 6. but not that the person, and the administrators of their division, know of it.
        $told = $this->call('learner', 'GET', '/me/notices')['items'];
        self::assertSame(
            [['let-in-outside', 'Disloyal Disloyalsen']],
            array_map(static fn(array $notice): array => [$notice['code'], $notice['by']], $told),
        );
        $messages = $this->call('admin', 'GET', '/messages?kind=account-changed')['items'];
        self::assertSame('learner@example.org', $messages[0]['to']);
    }

    public function testATieOfOnesOwnMakingCountsWhenItHasAged(): void
    {
        $this->used('learner');
        $this->change(
            'disloyal',
            'let-in',
            'learner',
            'learner',
            more: ['named' => 'learner@example.org'],
            site: 'nerves',
        );
        $this->age(6 * 86_400);
        self::assertNull($this->card('disloyal', 'learner')['password']);
        $this->age(86_400);
        self::assertNotNull($this->card('disloyal', 'learner')['password']);
        self::assertSame(['card', 'let-in-outside'], array_column($this->notices('learner'), 'code'));
    }

    /** A tutor prints cards for the class they have just pasted; whoever signs in already is not taken over by that. */
    public function testTheFirstCardAtHomeNeedsNoAge(): void
    {
        $this->change('cotutor', 'let-in', 'newcomer', 'learner');
        self::assertNotNull($this->card('cotutor', 'newcomer')['password']);
        $this->used('newcomer');
        self::assertNull($this->card('cotutor', 'newcomer')['password']);
        self::assertNotNull($this->card('lead', 'newcomer')['password'], 'the lead did not let them in');
    }

    /** Removed and brought back again, a tie that was somebody else's is of one's own making. */
    public function testATieIsNotMadeAnewByBreakingIt(): void
    {
        $this->used('adult');
        self::assertNotNull($this->card('disloyal', 'adult')['password']);
        $this->change('disloyal', 'remove', 'adult', site: 'nerves');
        self::assertNull($this->card('disloyal', 'adult')['password'], 'nothing outlives the tie');
        $this->age(60);
        $this->change('disloyal', 'bring-back', 'adult', site: 'nerves');
        self::assertNull($this->card('disloyal', 'adult')['password']);
    }

    /** Neither an invitation that was taken back nor a site that is closed keeps a page open. */
    public function testNothingOutlivesTheTie(): void
    {
        $invitations = $this->invitationDoor('principal', 'nerves').'/invitations';
        $this->call('disloyal', 'POST', $invitations, ['text' => 'X77LEARNER', 'apply' => true]);
        $this->call('disloyal', 'GET', '/people/'.$this->ids['learner'], null, 404);
        $this->call('disloyal', 'POST', $invitations.'/withdraw', ['all' => true]);
        $this->call('disloyal', 'GET', '/people/'.$this->ids['learner'], null, 404);
        $this->call('disloyal', 'GET', '/people/'.$this->ids['adult']);
        $this->call(
            'principal',
            'PUT',
            '/sites/'.$this->ids['nerves'].'/life',
            ['state' => 'closed'],
            headers: ['If-Match' => '"1"'],
        );
        $this->call('disloyal', 'GET', '/people/'.$this->ids['adult'], null, 404);
        self::assertNull($this->card('disloyal', 'adult')['password']);
    }

    /** Whoever came by themselves is looked after at once: their coming was their own. */
    public function testWhoCameWithAKeyIsLookedAfter(): void
    {
        $this->used('learner');
        $door = $this->call('disloyal', 'POST', '/sites/'.$this->ids['nerves'].'/doors', ['name' => 'Key'], 201);
        $this->call('learner', 'POST', '/join', ['key' => $door['key']]);
        self::assertNotNull($this->card('disloyal', 'learner')['password']);
    }

    /** @return list<array<string, mixed>> */
    private function notices(string $of): array
    {
        // The card ended their sessions and set another password; who they are does not change.
        $this->db()->executeStatement('UPDATE account SET must_change = 0 WHERE person_id = ?', [
            Id::binary($this->ids[$of]),
        ]);

        return $this->call($of, 'GET', '/me/notices')['items'];
    }
}
