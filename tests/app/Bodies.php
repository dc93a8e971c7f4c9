<?php

declare(strict_types=1);

namespace MintDoor\Tests\App;

use MintDoor\Desk\SettingsFile;
use MintDoor\Platform\PlatformSettings;
use MintDoor\Platform\SettingsCodec;
use MintDoor\Roles\Roles;
use MintDoor\Roles\RulesCodec;

/** A body for each operation, with which it succeeds where it can. */
trait Bodies
{
    /** @return array<string, mixed>|null */
    private function body(string $operation): ?array
    {
        return match ($operation) {
            'POST /sign-in' => ['login' => 'nobody', 'password' => 'x'],
            'POST /first-password' => ['token' => 'x', 'password' => 'long enough for it'],
            'POST /sites', 'PUT /sites/{site}' => [
                'title' => 'New',
                'code' => 'NEW-1',
                'kind' => 'course',
                'division' => 'seniors',
                'term' => 'autumn',
            ],
            'PUT /sites/{site}/life' => ['state' => 'closed'],
            'PUT /sites/{site}/items' => ['items' => ['welcome'], 'visibility' => ['kind' => 'everybody']],
            'PUT /sites/{site}/visibilities' => [
                'named' => [['name' => 'Learners', 'visibility' => ['kind' => 'roles', 'names' => ['learner']]]],
            ],
            'PUT /sites/{site}/sections' => ['sections' => [['name' => 'Morning']]],
            'POST /cohorts', 'PUT /cohorts/{cohort}' => ['name' => 'Team', 'division' => 'seniors'],
            'POST /cohorts/{cohort}/members' => ['add' => [$this->ids['learner']]],
            'POST /cohort-looks' => [
                'division' => 'seniors',
                'rule' => ['kind' => 'all', 'parts' => [['kind' => 'levels', 'lowest' => 7, 'highest' => 8]]],
            ],
            'POST /cohort-links' => [
                'sites' => [$this->ids['site']],
                'role' => 'learner',
                'shared' => [['site' => $this->ids['draft'], 'role' => 'learner']],
            ],
            'PUT /cohort-links/{link}' => ['leaves' => 'term'],
            'POST /cohort-links/{link}/end' => ['apply' => false],
            'POST /cohort-links/{link}/yes' => ['number' => 2],
            'POST /cohort-links/{link}/again' => ['people' => [$this->ids['learner']]],
            'POST /sites/{site}/group-splits' => ['name' => 'Teams', 'from' => 'count', 'count' => 3],
            'PUT /sites/{site}/group-splits/{split}' => ['name' => 'Teams', 'groups' => [['name' => 'One']]],
            'POST /sites/{site}/group-splits/{split}/moves' => [
                'moves' => [['person' => $this->ids['learner'], 'to' => null, 'from' => null]],
            ],
            'POST /sites/{site}/group-splits/{split}/balance' => ['moves' => []],
            'PUT /sites/{site}/group-splits/{split}/wishes' => ['wishes' => [['kind' => 'free']]],
            'POST /sites/{site}/group-splits/{split}/lines' => ['text' => 'Learner Learnersen'],
            'PUT /sites/{site}/plan' => [
                'sections' => [['id' => $this->ids['lead']]],
                'moves' => 'nobody',
                'stays' => [],
                'wishesFrom' => null,
                'wishesUntil' => null,
            ],
            'PUT /sites/{site}/plan/with' => ['sites' => []],
            'POST /sites/{site}/plan/what-if' => ['more' => 3],
            'PUT /me/groups/{split}' => ['group' => null],
            'POST /me/groups/{split}/found' => ['name' => 'Blue'],
            'POST /me/groups/{split}/invitations' => ['people' => [$this->ids['newcomer']]],
            'PUT /me/wishes/{plan}' => ['sections' => []],
            'POST /sites/{site}/section-fits' => ['people' => [$this->ids['newcomer']]],
            'PUT /sites/{site}/hours' => ['hours' => [['first' => '2026-12-01', 'time' => '09:30', 'minutes' => 60]]],
            'POST /sites/{site}/hours/read' => [
                'text' => "BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:x\r\nEND:VCALENDAR\r\n",
            ],
            'POST /sites/{site}/change-lists' => [
                'lines' => [['person' => $this->ids['newcomer'], 'verb' => 'let-in', 'role' => 'learner']],
            ],
            'POST /sites/{site}/change-lists/{changeList}/undo' => ['apply' => false],
            'POST /sites/{site}/intake', 'POST /readings' => ['text' => 'Learner Learnersen'],
            'PUT /settings' => [
                'settings' => SettingsCodec::write($this->service(PlatformSettings::class)->read()),
            ],
            'PUT /settings/file' => ['text' => $this->service(SettingsFile::class)->write()],
            'POST /register' => [
                'division' => 'seniors',
                'given' => 'Noor',
                'family' => 'Haddad',
                'email' => 'noor@example.org',
            ],
            'POST /register/look' => ['token' => 'x'],
            'POST /register/confirm' => ['token' => 'x', 'password' => 'long enough for it'],
            'PUT /registrations/{registration}' => ['yes' => true],
            'PUT /registration-codes/{division}' => ['code' => 'Autumn Quay'],
            'PUT /first-steps/{step}' => ['state' => 'left-out'],
            'PUT /settings/mail-password' => ['password' => 'of the server'],
            'POST /settings/mail-test' => [
                'mail' => SettingsCodec::write($this->service(PlatformSettings::class)->read())['mail'],
                'to' => 'admin@example.org',
            ],
            'POST /settings/later-terms' => [
                'terms' => [
                    [
                        'code' => 'autumn',
                        'name' => 'Autumn',
                        'startsOn' => '2026-09-07',
                        'endsOn' => '2026-12-18',
                        'division' => null,
                    ],
                ],
            ],
            'PUT /rules' => ['rules' => RulesCodec::write($this->service(Roles::class)->rules())],
            'PUT /administrators/{person}' => ['platform' => false, 'divisions' => ['evening']],
            'PUT /people/{person}/account' => ['open' => false, 'apply' => false],
            'POST /sign-in-cards' => ['people' => [$this->ids['colleague']]],
            'PUT /me/password' => ['present' => 'wrong', 'password' => 'long enough for it'],
            'PUT /me/settings' => ['language' => 'en-GB', 'timeZone' => 'Europe/Copenhagen'],
            'POST /change-reviews', 'POST /change-lists/{changeList}/apply' => [
                'lines' => [
                    ['site' => $this->ids['site'], 'line' => ['person' => $this->ids['newcomer'], 'verb' => 'let-in']],
                ],
            ],
            'POST /change-lists' => ['kind' => 'pasted', 'site' => $this->ids['site'], 'work' => ['text' => 'x']],
            'PUT /change-lists/{changeList}' => ['kind' => 'pasted', 'work' => ['text' => 'x']],
            'POST /change-lists/{changeList}/undo' => ['apply' => false],
            'POST /site-batches' => ['text' => 'A title'],
            'POST /site-merges' => ['into' => $this->ids['site'], 'sites' => [$this->ids['draft']]],
            'POST /term-changes' => ['sites' => [['id' => $this->ids['site']]], 'term' => 'autumn'],
            'POST /sites/{site}/splits' => ['sections' => [$this->ids['learner']]],
            'POST /site-changes' => ['sites' => [$this->ids['site']], 'verb' => 'seats', 'seats' => 40],
            'POST /site-changes/undo' => ['entries' => [['site' => $this->ids['site'], 'entry' => 4]]],
            'POST /sites/{site}/labels' => ['label' => 'viola', 'people' => [$this->ids['learner']]],
            'PUT /sites/{site}/views' => ['name' => 'Mine', 'view' => 'role=learner'],
            'POST /forgotten-password' => ['login' => 'nobody'],
            'PUT /people/{person}' => ['given' => 'Cotutor', 'family' => 'Cotutorsen'],
            'PUT /people/{person}/details', 'PUT /me/details' => ['values' => ['none' => 'x']],
            'POST /people/{person}/notes' => ['text' => 'Rang up.'],
            'POST /people/{person}/erasure',
            'POST /merges/{changeList}/undo',
            'POST /site-merges/{changeList}/undo',
            'POST /site-splits/{changeList}/undo',
            'POST /term-changes/{changeList}/undo',
            'POST /account-batches/{changeList}/undo' => ['apply' => false],
            'POST /division-moves/{changeList}/undo' => ['apply' => false],
            'POST /settings/calendar' => ['text' => "BEGIN:VCALENDAR\r\nVERSION:2.0\r\nEND:VCALENDAR\r\n"],
            'POST /division-moves' => ['from' => 'seniors', 'people' => 'evening'],
            'POST /merges' => ['stays' => $this->ids['colleague'], 'goes' => $this->ids['cotutor']],
            'POST /account-batches' => ['text' => 'Noor Haddad', 'division' => 'seniors'],
            'POST /messages/again', 'POST /messages/withdraw' => ['messages' => [$this->ids['cotutor']]],
            'POST /sites/{site}/letters' => ['people' => [$this->ids['learner']], 'words' => 'Bring a pencil.'],
            'POST /message-previews' => ['kind' => 'let-in', 'site' => $this->ids['site']],
            'PUT /templates/{kind}' => [
                'subject' => 'You are in',
                'body' => 'Go to {link}',
                'site' => $this->ids['site'],
            ],
            'PUT /sites/{site}/doors/{door}' => ['kind' => 'invitation'],
            'POST /sites/{site}/doors', 'POST /sites/{site}/door-reach' => ['name' => 'Key'],
            'POST /sites/{site}/waiting' => ['waiters' => [1], 'answer' => 'yes'],
            'POST /sites/{site}/doors/{door}/invitations' => ['text' => 'somebody@example.org'],
            'POST /sites/{site}/doors/{door}/invitations/again',
            'POST /sites/{site}/doors/{door}/invitations/withdraw' =>
                ['all' => true],
            'POST /join/look', 'POST /join', 'POST /join/account' => [
                'key' => 'none of ours',
                'password' => 'long enough for it',
            ],
            'PUT /me/notices' => ['notices' => [$this->ids['learner']]],
            'POST /sites/{site}/approvals/{person}' => ['answer' => 'yes'],
            'POST /key-renewals' => ['doors' => [$this->ids['learner']]],
            default => null,
        };
    }
}
