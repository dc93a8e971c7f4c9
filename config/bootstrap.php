<?php

declare(strict_types=1);

use Symfony\Component\Dotenv\Dotenv;

require_once dirname(__DIR__).'/vendor/autoload.php';

date_default_timezone_set('UTC');
(new Dotenv())->bootEnv(dirname(__DIR__).'/.env', 'prod', ['test']);
