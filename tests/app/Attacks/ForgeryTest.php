<?php

declare(strict_types=1);

namespace MintDoor\Tests\App\Attacks;

use MintDoor\Shared\Id;
use PHPUnit\Framework\Attributes\TestWith;

/** What clients send is never taken for what the server wrote. */
final class ForgeryTest extends AttackCase
{
    public function testAForgedListWritesNobodysAddress(): void
    {
        $work = [
            'stays' => $this->ids['adult'],
            'goes' => $this->ids['newcomer'],
            'moved' => false,
            'labels' => [],
            'version' => 1,
            'before' => ['given' => 'Adult', 'family' => 'Adultsen', 'email' => 'thief@example.org'],
            'other' => ['given' => 'N', 'family' => 'N', 'email' => null],
            'closedFrom' => null,
        ];
        $this->call('admin', 'POST', '/change-lists', ['kind' => 'merge', 'work' => $work], 422);
        $changeList = $this->call('admin', 'POST', '/change-lists', ['kind' => 'people', 'work' => $work], 201)['id'];
        $this->db()->executeStatement("UPDATE change_list SET kind = 'merge' WHERE id = ?", [Id::binary($changeList)]);
        $this->call('admin', 'POST', "/merges/$changeList/undo", ['apply' => true], 412);
        $address = $this->db()->fetchOne('SELECT email FROM person WHERE id = ?', [Id::binary($this->ids['adult'])]);
        self::assertSame('adult@example.org', $address);
    }

    public function testAForgedBatchMakesNoSiteVanish(): void
    {
        $work = ['rows' => [['site' => $this->ids['draft'], 'title' => 'Draft']]];
        $changeList = $this->call('lead', 'POST', '/change-lists', ['kind' => 'sites', 'work' => $work], 201)['id'];
        $this->call('lead', 'POST', "/site-batches/$changeList/undo", null, 409);
        $this->call('lead', 'GET', '/sites/'.$this->ids['draft']);
    }

    public function testWhoMadeASiteAndLostItDoesNotTakeItBack(): void
    {
        $changeList = $this->call(
            'lead',
            'POST',
            '/change-lists',
            ['kind' => 'sites', 'work' => ['text' => 'x']],
            201
        )['id'];
        $request = [
            'text' => "Rhythm\tRHYT",
            'division' => 'seniors',
            'term' => 'autumn',
            'apply' => true,
            'changeList' => $changeList,
        ];
        $site = $this->call('lead', 'POST', '/site-batches', $request)['rows'][0]['site'];
        $this->ids['rhythm'] = $site;
        $this->change('admin', 'let-in', 'cotutor', 'lead-tutor', site: 'rhythm');
        $this->change('admin', 'remove', 'lead', site: 'rhythm');
        $this->call('lead', 'POST', "/site-batches/$changeList/undo", null, 403);
        $this->call('cotutor', 'GET', '/sites/'.$site);
    }

    #[TestWith(['[]'])]
    #[TestWith(['"x"'])]
    #[TestWith(['false'])]
    #[TestWith(['0'])]
    #[TestWith(['{"everything":true}'])]
    #[TestWith(['{}'])]
    public function testWhatIsNoObjectOrSaysNothingWithdrawsNoInvitations(string $body): void
    {
        $doors = '/sites/'.$this->ids['nerves'].'/doors';
        $door = $this->call('principal', 'POST', $doors, ['kind' => 'invitation'], 201)['id'];
        $this->call('principal', 'POST', "$doors/$door/invitations", [
            'text' => 'somebody@example.net',
            'apply' => true,
        ]);
        foreach (['again', 'withdraw'] as $what) {
            $this->raw('principal', "$doors/$door/invitations/$what", $body);
            self::assertContains($this->answered(), [400, 422]);
        }
        $open = $this->db()->fetchOne('SELECT COUNT(*) FROM invitation WHERE unanswered = 1');
        self::assertSame(1, (int) (is_numeric($open) ? $open : 0));
    }

    #[TestWith(['[]'])]
    #[TestWith(['"x"'])]
    #[TestWith(['{}'])]
    public function testNorTakesAListBack(string $body): void
    {
        $this->change('principal', 'pause', 'adult', site: 'nerves');
        $changeList = Id::text((string) $this->db()->fetchOne('SELECT MAX(id) FROM change_list'));
        $this->raw('principal', "/sites/{$this->ids['nerves']}/change-lists/$changeList/undo", $body);
        self::assertContains($this->answered(), [400, 422]);
        self::assertSame('learner paused', $this->roster('principal', site: 'nerves')['adult']);
    }

    public function testMembersNobodyAskedForAreRefusedAlsoDeepInside(): void
    {
        $line = ['person' => $this->ids['adult'], 'verb' => 'pause', 'actor' => $this->ids['admin']];
        $this->call('principal', 'POST', '/sites/'.$this->ids['nerves'].'/change-lists', ['lines' => [$line]], 422);
        $this->call(
            'principal',
            'POST',
            '/sites/'.$this->ids['nerves'].'/leave',
            ['person' => $this->ids['adult']],
            422,
        );
    }

    public function testAccountsAreTakenBackOnlyByWhoMayMakeThemNow(): void
    {
        $changeList = $this->call(
            'disloyal',
            'POST',
            '/change-lists',
            ['kind' => 'accounts', 'work' => ['text' => 'x']],
            201
        )[
            'id'
        ];
        $request = ['text' => 'Noor Haddad', 'division' => 'evening', 'apply' => true, 'changeList' => $changeList];
        $this->call('disloyal', 'POST', '/account-batches', $request);
        $this->change('principal', 'remove', 'disloyal', site: 'nerves');
        $review = $this->call('disloyal', 'POST', "/account-batches/$changeList/undo", ['apply' => false]);
        self::assertSame([0, 'not-yours'], [$review['ready'], $review['left'][0]['why']]);
        $this->call('disloyal', 'POST', "/account-batches/$changeList/undo", ['apply' => true], 409);
    }

    private function raw(string $as, string $path, string $body): void
    {
        $this->call($as, 'GET', '/me');
        $this->client->request(
            'POST',
            '/api/v1'.$path,
            [],
            [],
            ['HTTP_X_MINT_DOOR' => '1', 'CONTENT_TYPE' => 'application/json'],
            $body,
        );
    }
}
